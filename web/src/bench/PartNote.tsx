import { Popover } from 'radix-ui'
import { mainColour, type Catalogue } from '@outfit/core/catalogue'
import { formatMoney, HOME_CURRENCY } from '@outfit/core/market'
import { api, errorText, type PartDetail } from '../app/api.ts'
import { Swatch } from '../ui/Swatch.tsx'

const times = (qty: number) => (qty > 1 ? ` × ${qty}` : '')
const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** One part: where it lies, who carries it, who sells it. */
export function PartNote({ code, catalogue }: { code: string; catalogue: Catalogue }) {
  const { currentData: detail, error } = api.endpoints.partDetail.useQuery(code)
  const part = catalogue.parts.get(code)
  if (!part) return null
  const colour = mainColour(catalogue, part)
  return (
    <aside
      aria-label="About this part"
      className="h-[118px] shrink-0 overflow-hidden rounded-[10px] border border-rule bg-card px-3 py-2 text-[13.5px] leading-snug"
    >
      <p className="flex items-center gap-1.5">
        <Swatch colour={colour} />
        <strong className="truncate">{part.name}</strong>
        <span className="shrink-0 text-soft">{colour?.name}</span>
        {detail && <Sources detail={detail} label={`${part.name}, ${colour?.name ?? ''}`} />}
      </p>
      {error ? (
        <p className="text-problem">{errorText(error)}</p>
      ) : detail ? (
        <Summary detail={detail} />
      ) : (
        <p className="text-soft">Looking it up…</p>
      )}
    </aside>
  )
}

function Summary({ detail: { bins, figures, releases, offers } }: { detail: PartDetail }) {
  const best = offers.reduce<number | null>((low, { home }) => (low === null || home < low ? home : low), null)
  const names = (list: { name: string }[]) =>
    `${list
      .slice(0, 2)
      .map(({ name }) => name)
      .join(', ')}${list.length > 2 ? ' …' : ''}`
  return (
    <dl className="mt-0.5 grid grid-cols-[64px_1fr] [&_dd]:truncate [&_dt]:text-soft">
      <dt>owned</dt>
      <dd>{bins.length ? bins.map(({ name, qty }) => `${qty} in ${name}`).join(', ') : 'none'}</dd>
      <dt>figures</dt>
      <dd>{figures.length ? `${figures.length}: ${names(figures)}` : 'in no figure'}</dd>
      <dt>releases</dt>
      <dd>{releases.length ? `${releases.length}: ${names(releases)}` : 'in no release'}</dd>
      <dt>offers</dt>
      <dd>
        {best === null
          ? 'nobody sells it singly'
          : `${count(offers.length, 'offer')} from ${formatMoney(best, HOME_CURRENCY)}`}
      </dd>
    </dl>
  )
}

function Sources({ detail, label }: { detail: PartDetail; label: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="ml-auto shrink-0 rounded-[7px] px-1.5 font-semibold text-act hover:bg-band">
        All sources
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="left"
          align="end"
          sideOffset={12}
          collisionPadding={16}
          className="max-h-[70vh] w-[430px] overflow-auto rounded-[14px] border border-rule bg-card p-4 shadow-xl"
          aria-label={`Sources of ${label}`}
        >
          <h3 className="text-lg">{label}</h3>
          <h4 className="mt-3 font-bold">In the drawer</h4>
          {detail.bins.length === 0 && <p className="text-soft">None owned.</p>}
          <ul>
            {detail.bins.map(({ bin, part, name, qty }) => (
              <li key={bin + part}>
                {qty} in {name}
              </li>
            ))}
          </ul>
          <h4 className="mt-3 font-bold">Carried by</h4>
          {detail.figures.length + detail.releases.length === 0 && (
            <p className="text-soft">No figure and no release.</p>
          )}
          <ul>
            {detail.figures.map(({ code, name, year, qty }) => (
              <li key={code}>
                {name}, {year}
                {times(qty)} <span className="text-soft">figure {code}</span>
              </li>
            ))}
            {detail.releases.map(({ code, name, year, kind, qty, loose }) => (
              <li key={code}>
                {name}, {year}
                {times(qty)}{' '}
                <span className="text-soft">
                  {kind}
                  {loose ? ', loose' : ''}
                </span>
              </li>
            ))}
          </ul>
          <h4 className="mt-3 font-bold">Offers of the single part</h4>
          {detail.offers.length === 0 ? (
            <p className="text-soft">Nobody sells it singly.</p>
          ) : (
            <table className="w-full text-left">
              <thead className="text-soft">
                <tr>
                  <th className="font-normal">seller</th>
                  <th className="font-normal">state</th>
                  <th className="text-right font-normal">price</th>
                  <th className="text-right font-normal">stock</th>
                </tr>
              </thead>
              <tbody>
                {[...detail.offers]
                  .sort((a, b) => a.home - b.home)
                  .map((offer) => (
                    <tr key={offer.id} className="border-t border-rule">
                      <td>{offer.sellerName}</td>
                      <td>{offer.condition}</td>
                      <td className="text-right">
                        {formatMoney(offer.home, HOME_CURRENCY)}
                        {offer.currency !== HOME_CURRENCY && (
                          <span className="text-soft"> ({formatMoney(offer.price, offer.currency)})</span>
                        )}
                      </td>
                      <td className="text-right">
                        {offer.stock}
                        {offer.multiple > 1 && <span className="text-soft"> in {offer.multiple}s</span>}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

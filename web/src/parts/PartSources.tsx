import { formatCount } from '@outfit/core/base'
import { Link } from 'react-router'
import type { Commonness } from '@outfit/core/parts'
import { formatMoney, homeCurrency, homeMoney } from '@outfit/core/market'
import type { PartDetail } from '../data/api.ts'

const times = (qty: number) => (qty > 1 ? ` × ${qty}` : '')

/** Where a part lies, who carries it and who sells it. */
export function PartSources({ detail, common }: { detail: PartDetail; common?: Commonness }) {
  /** What lies there is a component of the part, where it is an assembly. */
  const nameOf = (code: string) => detail.parts.find((part) => part.code === code)?.name.toLowerCase() ?? code
  return (
    <section aria-label="Sources">
      <h2 className="mt-4 text-lg">In the drawer</h2>
      {detail.bins.length === 0 && <p className="text-soft">None owned.</p>}
      <ul>
        {detail.bins.map(({ bin, part, name, qty }) => (
          <li key={bin + part}>
            {qty} {part !== detail.part.code && `× ${nameOf(part)} `}in{' '}
            <Link to={`/drawer/bins/${bin}`} className="hover:text-act hover:underline">
              {name}
            </Link>
          </li>
        ))}
        {detail.coming.map(({ parcel, seller, expectedOn, qty }) => (
          <li key={parcel}>
            {qty} on the way from {seller}, expected on {expectedOn}
          </li>
        ))}
      </ul>
      <p>
        <Link
          to={`/drawer/history?part=${detail.part.code}`}
          className="inline-block min-h-6 py-0.5 text-act hover:underline"
        >
          What happened to it
        </Link>
        {' · '}
        <Link to={`/prices/part/${detail.part.code}`} className="inline-block min-h-6 py-0.5 text-act hover:underline">
          Prices over time
        </Link>
      </p>
      <h2 className="mt-4 text-lg">
        Carried by
        {common && <span className="ml-2 font-sans text-sm font-normal tracking-normal text-soft">{common}</span>}
      </h2>
      {detail.figureCount + detail.releaseCount === 0 && <p className="text-soft">No figure and no release.</p>}
      <ul>
        {detail.figures.map(({ code, name, year, qty }) => (
          <li key={code}>
            <Link to={`/catalogue/figures/${code}`} className="hover:text-act hover:underline">
              {name}, {year}
            </Link>
            {times(qty)} <span className="text-soft">figure {code}</span>
          </li>
        ))}
        {detail.releases.map(({ code, name, year, kind, qty, loose, packs }) => (
          <li key={code}>
            <Link to={`/releases/${code}`} className="hover:text-act hover:underline">
              {name}, {year}
            </Link>
            {packs ? '' : times(qty)}{' '}
            <span className="text-soft">
              {kind}
              {loose ? ', loose' : ''}
              {packs ? `, in ${qty} of the ${packs} packs of a case` : ''}
            </span>
          </li>
        ))}
      </ul>
      {(detail.figureCount > detail.figures.length || detail.releaseCount > detail.releases.length) && (
        <p className="text-soft">
          The newest of {formatCount(detail.figureCount)} figures and {formatCount(detail.releaseCount)} releases.
        </p>
      )}
      <h2 className="mt-4 text-lg">Offers of the single part</h2>
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
                    {homeMoney(offer.home)}
                    {offer.currency !== homeCurrency() && (
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
      {detail.remarks.length > 0 && (
        <>
          <h2 className="mt-4 text-lg">Said of it in lists</h2>
          <ul>
            {detail.remarks.map(({ list, at, line, text }) => (
              <li key={`${list} ${at} ${line}`}>
                {text}{' '}
                <span className="text-soft">
                  {list}, line {line}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

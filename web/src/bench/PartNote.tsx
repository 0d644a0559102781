import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import type { PartLikeness } from '@outfit/core/brief'
import { mainColour, type Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { api, errorText, type PartDetail } from '../data/api.ts'
import { PartSources } from '../parts/PartSources.tsx'
import { Swatch } from '../ui/Swatch.tsx'

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** One part: where it lies, who carries it, who sells it. */
export function PartNote({
  code,
  catalogue,
  likeness,
}: {
  code: string
  catalogue: Catalogue
  likeness: PartLikeness | undefined
}) {
  const { currentData: detail, error } = api.endpoints.partDetail.useQuery(code)
  const part = catalogue.parts.get(code)
  if (!part) return null
  const colour = mainColour(catalogue, part)
  return (
    <aside
      aria-label="About this part"
      className="h-[136px] shrink-0 overflow-hidden rounded-[10px] border border-rule bg-card px-3 py-2 text-[13.5px] leading-snug"
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
        <Summary detail={detail} likeness={likeness} />
      ) : (
        <p className="text-soft">Looking it up…</p>
      )}
    </aside>
  )
}

/** Why a part is as like the brief as it is: what it lacks comes first. */
function whyOf({ share, terms }: PartLikeness): string {
  const sorted = [...terms].sort((a, b) => b.most - b.milli - (a.most - a.milli))
  return `${Math.round((share ?? 0) * 100)}: ${sorted.map(({ words }) => words).join('; ')}`
}

function Summary({
  detail: { bins, figures, figureCount, releases, releaseCount, offers },
  likeness,
}: {
  detail: PartDetail
  likeness: PartLikeness | undefined
}) {
  const best = offers.reduce<number | null>((low, { home }) => (low === null || home < low ? home : low), null)
  const names = (list: { name: string }[]) =>
    `${list
      .slice(0, 2)
      .map(({ name }) => name)
      .join(', ')}${list.length > 2 ? ' …' : ''}`
  return (
    <dl className="mt-0.5 grid grid-cols-[64px_1fr] [&_dd]:truncate [&_dt]:text-soft">
      {likeness && likeness.share !== null && (
        <>
          <dt>likeness</dt>
          <dd title={whyOf(likeness)}>{whyOf(likeness)}</dd>
        </>
      )}
      <dt>owned</dt>
      <dd>{bins.length ? bins.map(({ name, qty }) => `${qty} in ${name}`).join(', ') : 'none'}</dd>
      <dt>figures</dt>
      <dd>{figures.length ? `${figureCount}: ${names(figures)}` : 'in no figure'}</dd>
      <dt>releases</dt>
      <dd>{releases.length ? `${releaseCount}: ${names(releases)}` : 'in no release'}</dd>
      <dt>offers</dt>
      <dd>{best === null ? 'nobody sells it singly' : `${count(offers.length, 'offer')} from ${homeMoney(best)}`}</dd>
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
          <Link to={`/parts/${detail.part.code}`} className="font-semibold text-act hover:underline">
            Colours, sources and offers on its own page
          </Link>
          <PartSources detail={detail} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

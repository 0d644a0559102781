import { useMemo } from 'react'
import { Link } from 'react-router'
import { inPoints } from '@outfit/core/brief'
import { partLabel, type Level } from '@outfit/core/catalogue'
import { houseRulesFor } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { drawFigure, mmPerUnit } from '@outfit/core/mannequin'
import { auditOf, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import type { TeamMember } from '@outfit/core/teams'
import { errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi, type Bases } from '../data/rosterApi.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { withDrawables } from '../data/withDrawables.ts'

/** Released figures beside what they became, all at one height, as one page. */
export function AuditView() {
  return <RosterFrame>{({ roster }) => <Audit key={roster.id} roster={roster} />}</RosterFrame>
}

function Audit({ roster }: { roster: RosterShelf }) {
  const bases = rosterApi.endpoints.bases.useQuery(roster.id)
  const members = rosterApi.endpoints.members.useQuery({ roster: roster.id, cast: [] })
  const error = bases.error ?? members.error
  if (error) return <ErrorNote onRetry={() => void bases.refetch()}>{errorText(error)}</ErrorNote>
  if (!bases.data || !members.data) return <Waiting>Standing them side by side…</Waiting>
  const audited = roster.outfits.filter(({ base }) => base !== null)
  return (
    <>
      <p className="mt-3 max-w-3xl text-soft">
        Each figure as it was released and as it stands now, at the same height, with what was changed and what that
        costs. Likeness is to its own brief.
      </p>
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(380px,1fr))] gap-x-8 gap-y-5">
        {audited.map((outfit) => (
          <Changed
            key={outfit.id}
            outfit={outfit}
            level={houseRulesFor({ roster, switches: outfit.switches }).takingApart}
            bases={bases.data!}
            member={members.data!.members.find((one) => one.outfit === outfit.id)!}
            lowest={members.data!.lowest}
          />
        ))}
      </ul>
    </>
  )
}

function Changed({
  outfit,
  level,
  bases,
  member,
  lowest,
}: {
  outfit: ShelfOutfit
  level: Level
  bases: Bases
  member: TeamMember
  lowest: Readonly<Record<string, number | null>>
}) {
  const known = useAppSelector(selectCatalogue)
  const catalogue = useMemo(() => known && withDrawables(known, bases), [known, bases])
  const figure = bases.figures.find(({ code }) => code === outfit.base)
  if (!catalogue || !figure) return null
  const { changes, cost, before, after, verdict } = auditOf(figure.worn, outfit.placements, {
    from: outfit.from,
    brief: member.brief,
    catalogue,
    lowest,
    level,
  })
  const name = (code: string | null) => {
    const part = catalogue.parts.get(code ?? '')
    return part ? partLabel(catalogue, part) : 'nothing'
  }
  const tall = Math.max(...[figure.worn, outfit.placements].map((worn) => drawFigure(worn, catalogue).height))
  const window = { x: -72, y: -(tall + 2) / mmPerUnit(), width: 144, height: (tall + 6) / mmPerUnit() }
  const words = {
    kept: 'Kept as released',
    better: `Better by ${inPoints(after - before)} points`,
    worse: `Less like its brief by ${inPoints(before - after)} points`,
    even: 'As like its brief as before',
  }[verdict]
  return (
    <li className="grid grid-cols-[110px_110px_minmax(0,1fr)] gap-x-3 border-t border-rule pt-2">
      {(
        [
          ['released', figure.worn],
          ['now', outfit.placements],
        ] as const
      ).map(([when, worn]) => (
        <span key={when} className="text-center">
          <Figure
            placements={worn}
            from={catalogue}
            window={window}
            plinth={false}
            label={`${outfit.name}, ${when}`}
            className="h-[150px] w-full"
          />
          <span className="block text-[12.5px] text-soft">{when}</span>
        </span>
      ))}
      <span className="min-w-0 text-[13.5px]">
        <Link to={`/outfits/${outfit.id}/takes`} className="text-base font-semibold hover:text-act hover:underline">
          {outfit.name}
        </Link>
        <span className="block text-soft">
          {figure.name}, {figure.year}
        </span>
        <strong className={`block ${verdict === 'better' ? 'text-good' : verdict === 'worse' ? 'text-notice' : ''}`}>
          {words}
        </strong>
        {outfit.verdict && <span className="block">“{outfit.verdict}”</span>}
        {changes.map(({ key, label, was, is, toBuy, cost: own, unsold }) => (
          <span key={key} className="block">
            <span className="font-semibold">{label}</span> {name(is)}{' '}
            <span className="text-soft">
              {was === is ? 'altered' : `for ${name(was)}`},{' '}
              {toBuy === 0 ? 'owned' : unsold === toBuy ? 'not sold singly' : homeMoney(own)}
            </span>
          </span>
        ))}
        {changes.length > 1 && cost > 0 && <span className="block">{homeMoney(cost)} in all</span>}
      </span>
    </li>
  )
}

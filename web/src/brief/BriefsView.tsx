import { useMemo } from 'react'
import { Link } from 'react-router'
import { emptyBrief, inPoints, likenessOf, type Brief } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import type { TeamMember } from '@outfit/core/teams'
import { errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { InWords } from '../description/InWords.tsx'
import { wishInWords } from '../description/wishInWords.ts'

/** Everybody's brief on one page, written in words. */
export function BriefsView() {
  return <RosterFrame>{({ roster }) => <Briefs roster={roster} />}</RosterFrame>
}

type Merge = (brief: Brief) => Brief

function Briefs({ roster }: { roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const { data, error, refetch } = rosterApi.endpoints.members.useQuery({ roster: roster.id, cast: [] })
  const [save] = rosterApi.endpoints.saveBriefs.useMutation()
  if (roster.outfits.length === 0)
    return (
      <EmptyNote title="Nobody stands here yet">Add characters; what is told of them becomes their briefs.</EmptyNote>
    )
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Laying out the briefs…</Waiting>
  const memberOf = new Map(data.members.map((member) => [member.outfit, member]))

  /** Change some briefs at once; one step back takes all of it back. */
  const write = async (outfits: readonly ShelfOutfit[], merge: Merge) => {
    const changed = outfits.flatMap(({ id }) => {
      const member = memberOf.get(id)
      return member
        ? [{ outfit: id, version: member.briefVersion, before: member.brief, brief: merge(member.brief) }]
        : []
    })
    const answer = await save({
      roster: roster.id,
      briefs: changed.map(({ outfit, version, brief }) => ({ outfit, version, brief })),
    })
    if (answer.error) return tellError(answer.error)
    const newest = new Map(answer.data.briefs.map(({ outfit, version }) => [outfit, version]))
    const [only] = outfits
    tell(
      outfits.length === 1 ? `The brief of ${only!.name} changed.` : `${counted(outfits.length, 'brief')} changed.`,
      () =>
        save({
          roster: roster.id,
          briefs: changed.map(({ outfit, before }) => ({ outfit, version: newest.get(outfit)!, brief: before })),
        }),
    )
  }
  return (
    <section aria-label="Briefs" className="mt-4">
      <div className="grid lg:grid-cols-[330px_minmax(0,1fr)] items-start gap-x-5 gap-y-2 pb-1">
        <p>
          <strong>For everybody</strong>
          <span className="block text-[13.5px] text-soft">
            What all {roster.outfits.length} must show, or each by itself below. Enter takes it, Tab goes on.
          </span>
        </p>
        <InWords of="Everybody" notes="" onTake={(merge) => void write(roster.outfits, merge)} catalogue={catalogue} />
      </div>
      <ul className="divide-y divide-rule border-t border-rule">
        {roster.outfits.map((outfit) => (
          <Row
            key={outfit.id}
            outfit={outfit}
            member={memberOf.get(outfit.id)}
            catalogue={catalogue}
            onTake={(merge) => void write([outfit], merge)}
          />
        ))}
      </ul>
    </section>
  )
}

function Row({
  outfit,
  member,
  catalogue,
  onTake,
}: {
  outfit: ShelfOutfit
  member: TeamMember | undefined
  catalogue: Catalogue
  onTake: (merge: Merge) => void
}) {
  const brief = member?.brief ?? NO_BRIEF
  const likeness = useMemo(
    () => (brief.wishes.length > 0 ? inPoints(likenessOf(outfit.placements, brief, catalogue).milli) : null),
    [outfit.placements, brief, catalogue],
  )
  return (
    <li className="grid lg:grid-cols-[330px_minmax(0,1fr)] gap-x-5 gap-y-2 py-2">
      <div className="flex items-center gap-3">
        <Figure placements={outfit.placements} label="" plinth={false} className="h-[84px] w-[62px] shrink-0" />
        <span className="min-w-0">
          <Link to={`/outfits/${outfit.id}/brief`} className="block truncate font-semibold hover:underline">
            {outfit.name}
          </Link>
          <span className="block text-[13.5px] text-soft">
            {[outfit.faction, brief.years === null ? brief.stature : `${brief.years} years`]
              .filter(Boolean)
              .join(' · ')}
          </span>
          <span className="block text-[13.5px]">
            {likeness === null ? <span className="text-soft">no wishes yet</span> : <>likeness {likeness}</>}
          </span>
        </span>
      </div>
      <div className="min-w-0">
        {brief.wishes.length > 0 && (
          <ul aria-label={`Wishes of ${outfit.name}`} className="flex flex-wrap gap-1 pb-1.5 text-[13px]">
            {brief.wishes.map((wish, i) => (
              <li
                key={i}
                className={`rounded-full border px-2 ${wish.weight === 'must' ? 'border-problem font-semibold text-problem' : wish.weight === 'matters' ? 'border-rule bg-card' : 'border-rule text-soft'}`}
              >
                {wishInWords(wish, catalogue)}
              </li>
            ))}
          </ul>
        )}
        <InWords
          of={outfit.name}
          notes={brief.wishes.length === 0 ? brief.notes : ''}
          onTake={onTake}
          catalogue={catalogue}
        />
      </div>
    </li>
  )
}

const NO_BRIEF = emptyBrief()

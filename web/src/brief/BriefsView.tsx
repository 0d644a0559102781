import { Images } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import {
  emptyBrief,
  inPoints,
  likenessOf,
  picturedBy,
  withWishes,
  type Brief,
  type BriefWish,
  type WishTemplate,
} from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import type { TeamMember } from '@outfit/core/teams'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { droppedFiles } from '../ui/droppedFiles.ts'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError, warn } from '../ui/tell.ts'
import { usePastedFiles } from '../ui/usePastedFiles.ts'
import { InWords } from '../description/InWords.tsx'
import { wishInWords } from '../description/wishInWords.ts'
import { RowPicture } from './RowPicture.tsx'
import { SpreadWishes } from './SpreadWishes.tsx'
import { useHangPictures } from './useHangPictures.ts'
import { PICTURE_TYPES, PICTURE_WORDS } from '../picture/pictureFiles.ts'

/** Everybody's brief on one page, written in words. */
export function BriefsView() {
  return <RosterFrame>{({ roster }) => <Briefs roster={roster} />}</RosterFrame>
}

type Merge = (brief: Brief) => Brief

/** Some wishes in the place of those about the same. */
const withAll =
  (wishes: readonly BriefWish[]): Merge =>
  (brief) => ({ ...brief, wishes: withWishes(brief.wishes, wishes) })

/** Whom words are for that are said of many: all of them, or those of a faction. */
const EVERYBODY = ''

function Briefs({ roster }: { roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const { data, error, refetch } = rosterApi.endpoints.members.useQuery({ roster: roster.id, cast: [] })
  const { data: templates = [] } = rosterApi.endpoints.templates.useQuery()
  const [save] = rosterApi.endpoints.saveBriefs.useMutation()
  const [faction, setFaction] = useState(EVERYBODY)
  const pictures = useRosterPictures(roster.outfits)
  if (roster.outfits.length === 0)
    return (
      <EmptyNote title="Nobody stands here yet">Add characters; what is told of them becomes their briefs.</EmptyNote>
    )
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Laying out the briefs…</Waiting>
  const memberOf = new Map(data.members.map((member) => [member.outfit, member]))
  const factions = [...new Set(roster.outfits.flatMap((one) => (one.faction === '' ? [] : [one.faction])))]
  const many = faction === EVERYBODY ? roster.outfits : roster.outfits.filter((one) => one.faction === faction)

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
    <section
      aria-label="Briefs"
      className="mt-4"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        void droppedFiles(event.dataTransfer).then(pictures.byName)
      }}
    >
      <div className="grid lg:grid-cols-[360px_minmax(0,1fr)] items-start gap-x-5 gap-y-2 pb-2">
        <div>
          {factions.length > 1 ? (
            <label className="font-semibold">
              For{' '}
              <select
                value={faction}
                onChange={({ target }) => setFaction(target.value)}
                className="rounded-[8px] border border-rule bg-card px-1.5 py-0.5 font-semibold"
              >
                <option value={EVERYBODY}>everybody</option>
                {factions.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            </label>
          ) : (
            <strong>For everybody</strong>
          )}
          <span className="block text-[13.5px] text-soft">
            What all {many.length} must show, or each by itself below. Enter takes it, Tab goes on.
          </span>
          <Button className="mt-1.5 px-2.5 py-1 text-[13.5px]" title={PICTURE_WORDS} onClick={pictures.choose}>
            <Images aria-hidden className="size-4" /> Pictures by name …
          </Button>
          <span className="ml-2 text-[13.5px] text-soft">
            {pictures.left > 0 ? (
              <span role="status">{counted(pictures.left, 'picture')} to go</span>
            ) : (
              `or drop or paste them: “${roster.outfits[0]!.name}.png” finds its place`
            )}
          </span>
          {pictures.input}
        </div>
        <div className="flex items-start gap-2">
          <div className="min-w-0 flex-1">
            <InWords
              of={faction === EVERYBODY ? 'Everybody' : faction}
              notes=""
              onTake={(merge) => void write(many, merge)}
              catalogue={catalogue}
            />
          </div>
          <Templates
            of={faction === EVERYBODY ? 'everybody' : faction}
            templates={templates}
            onTake={({ wishes }) => void write(many, withAll(wishes))}
          />
        </div>
      </div>
      <ul className="divide-y divide-rule border-t border-rule">
        {roster.outfits.map((outfit) => (
          <Row
            key={outfit.id}
            outfit={outfit}
            others={roster.outfits.filter(({ id }) => id !== outfit.id)}
            member={memberOf.get(outfit.id)}
            catalogue={catalogue}
            templates={templates}
            onTake={(merge) => void write([outfit], merge)}
            onCopy={(outfits, wishes) => write(outfits, withAll(wishes))}
            onPicture={(file) => void pictures.hang([{ file, outfit: outfit.id }])}
          />
        ))}
      </ul>
    </section>
  )
}

/** Pictures for a whole roster: many files are hung by their names, pasted, dropped or chosen. */
function useRosterPictures(outfits: readonly ShelfOutfit[]) {
  const { hang, left } = useHangPictures()
  const [removeReference] = api.endpoints.removeReference.useMutation()
  const field = useRef<HTMLInputElement>(null)
  const hangAll = async (files: readonly { file: File; outfit: string }[]) => {
    if (files.length === 0) return
    const hung = await hang(files)
    if (hung.length > 0)
      tell(`${counted(hung.length, 'picture')} hung.`, async () => {
        for (const one of hung) await removeReference(one)
      })
  }
  const byName = async (files: readonly File[]) => {
    const people = outfits.map(({ id, name, character }) => ({ outfit: id, name, character }))
    const found = files.map((file) => ({ file, outfit: picturedBy(file.name, people)?.outfit }))
    const nobody = found.filter(({ outfit }) => outfit === undefined)
    if (nobody.length > 0)
      warn(
        `Nobody here is called like ${nobody.map(({ file }) => `“${file.name}”`).join(', ')}. Press the picture place beside whom it is of.`,
      )
    await hangAll(found.flatMap(({ file, outfit }) => (outfit === undefined ? [] : [{ file, outfit }])))
  }
  usePastedFiles((files) => void byName(files))
  return {
    left,
    hang: hangAll,
    byName,
    choose: () => field.current?.click(),
    input: (
      <input
        ref={field}
        type="file"
        multiple
        accept={PICTURE_TYPES}
        aria-label="Pictures by name"
        className="sr-only"
        tabIndex={-1}
        onChange={({ target }) => {
          void byName([...(target.files ?? [])])
          target.value = ''
        }}
      />
    ),
  }
}

/** Templates to begin with; nothing where none was kept. */
function Templates({
  of,
  templates,
  onTake,
}: {
  of: string
  templates: readonly WishTemplate[]
  onTake: (template: WishTemplate) => void
}) {
  if (templates.length === 0) return null
  return (
    <select
      aria-label={`Begin ${of} with a template`}
      value=""
      onChange={({ target }) => {
        const picked = templates.find(({ id }) => id === target.value)
        if (picked) onTake(picked)
      }}
      className="mt-2 w-[124px] shrink-0 rounded-[8px] border border-rule bg-card px-1.5 py-1 text-[13.5px] font-semibold text-act"
    >
      <option value="">Begin with …</option>
      {templates.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  )
}

interface RowProps {
  outfit: ShelfOutfit
  others: readonly ShelfOutfit[]
  member: TeamMember | undefined
  catalogue: Catalogue
  templates: readonly WishTemplate[]
  onTake: (merge: Merge) => void
  onCopy: (outfits: readonly ShelfOutfit[], wishes: readonly BriefWish[]) => Promise<void>
  onPicture: (file: File) => void
}

function Row({ outfit, others, member, catalogue, templates, onTake, onCopy, onPicture }: RowProps) {
  const brief = member?.brief ?? NO_BRIEF
  const [spreads, setSpreads] = useState(false)
  const likeness = useMemo(
    () => (brief.wishes.length > 0 ? inPoints(likenessOf(outfit.placements, brief, catalogue).milli) : null),
    [outfit.placements, brief, catalogue],
  )
  return (
    <li className="grid lg:grid-cols-[360px_minmax(0,1fr)] gap-x-5 gap-y-2 py-2">
      <div className="flex items-center gap-3">
        <RowPicture of={outfit.name} photo={member?.photo ?? null} onPicture={onPicture} />
        <Figure
          placements={outfit.placements}
          stature={brief.stature}
          label=""
          plinth={false}
          className="h-[84px] w-[62px] shrink-0"
        />
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
          {brief.wishes.length > 0 && (
            <button
              type="button"
              aria-label={`Wishes of ${outfit.name} for others`}
              onClick={() => setSpreads(true)}
              className="text-[13.5px] font-semibold text-act hover:underline"
            >
              For others …
            </button>
          )}
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
        <div className="flex items-start gap-2">
          <div className="min-w-0 flex-1">
            <InWords
              of={outfit.name}
              notes={brief.wishes.length === 0 ? brief.notes : ''}
              onTake={onTake}
              catalogue={catalogue}
            />
          </div>
          <Templates of={outfit.name} templates={templates} onTake={({ wishes }) => onTake(withAll(wishes))} />
        </div>
      </div>
      {spreads && (
        <SpreadWishes
          of={outfit}
          wishes={brief.wishes}
          others={others}
          catalogue={catalogue}
          onCopy={onCopy}
          onLeave={() => setSpreads(false)}
        />
      )}
    </li>
  )
}

const NO_BRIEF = emptyBrief()

import { formatLength } from '@outfit/core/base'
import { Plus, X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { statureWorn } from '@outfit/core/fitting'
import type { RosterShelf } from '@outfit/core/shelf'
import {
  footing,
  howManyFit,
  linedUp,
  pageSvg,
  lineUpPage,
  MOST_OBJECTS,
  OBJECT_SHAPES,
  poseOf,
  statureLines,
  tallnessOf,
  type ObjectShape,
  type ScaleObject,
} from '@outfit/core/show'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { counted } from '../ui/counted.ts'
import { StepsBack } from './ChoicePanel.tsx'
import { ExportBar } from './ExportBar.tsx'
import { printedAs, PrintedWidth } from './PrintedWidth.tsx'
import { useChoices } from './useChoices.ts'

/** Outfits of a roster side by side at their true heights, with things for scale. */
export function LineUpView() {
  return <RosterFrame ownUndo>{({ roster }) => <LineUpPage key={roster.id} roster={roster} />}</RosterFrame>
}

const FAMILIES = { heading: 'Bricolage Grotesque Variable', text: 'Atkinson Hyperlegible Next Variable' }

/** Things that stand about in many scenes, with sizes that suit the maker's figures. */
const USUAL: readonly ScaleObject[] = [
  { name: 'Rowing boat', shape: 'boat', width: 240, height: 32, depth: 36 },
  { name: 'Market stall', shape: 'stall', width: 110, height: 88, depth: 30 },
  { name: 'Donkey', shape: 'animal', width: 62, height: 48, depth: 0 },
  { name: 'Bench', shape: 'block', width: 120, height: 18, depth: 18 },
]

interface Setting {
  tiers: number
  step: number
  objects: ScaleObject[]
  /** Who is not in the picture. */
  left: string[]
  /** How wide it is printed, in millimetres; null for figures as large as they are. */
  width: number | null
}

const keptAt = (roster: string) => `outfit.lineUp.${roster}`

function remembered(roster: string): Setting {
  const first: Setting = { tiers: 1, step: 30, objects: [], left: [], width: null }
  try {
    return { ...first, ...(JSON.parse(localStorage.getItem(keptAt(roster)) ?? '{}') as Partial<Setting>) }
  } catch {
    return first
  }
}

const number = 'w-[76px] rounded-[8px] border border-rule bg-card px-2 py-0.5 tabular-nums'

function LineUpPage({ roster }: { roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const [markShown] = rosterApi.endpoints.markShown.useMutation()
  const [first] = useState(() => remembered(roster.id))
  const choices = useChoices(first, async (all) => {
    localStorage.setItem(keptAt(roster.id), JSON.stringify(all))
    return {}
  })
  const { value: setting, change } = choices
  const { tiers, step, objects, width } = setting
  const left = useMemo(() => new Set(setting.left), [setting.left])
  const dressed = useMemo(() => roster.outfits.filter(({ placements }) => placements.length > 0), [roster.outfits])
  const lined = useMemo(
    () => (catalogue ? dressed.filter(({ id }) => !left.has(id)).map((outfit) => linedUp(outfit, catalogue)) : []),
    [dressed, left, catalogue],
  )
  const sound = useMemo(() => objects.filter(({ width, height }) => width > 0 && height > 0), [objects])
  const pose = useMemo(() => poseOf(lined, sound, { tiers, step }), [lined, sound, tiers, step])
  const svg = useMemo(
    () => pageSvg(lineUpPage({ title: roster.name, members: lined, objects: sound, pose, step }), undefined, FAMILIES),
    [roster.name, lined, sound, pose, step],
  )
  const statures = statureLines(
    dressed.map((outfit) => ({
      id: outfit.id,
      years: outfit.years,
      worn: catalogue ? (statureWorn(outfit.placements, catalogue)?.stature ?? null) : null,
    })),
  )
  if (dressed.length === 0) return <p className="mt-6 text-soft">Nobody is dressed yet, so nobody can line up.</p>
  const query = new URLSearchParams({
    outfits: lined.map(({ id }) => id).join(','),
    tiers: String(tiers),
    step: String(step),
    objects: JSON.stringify(sound),
    ...printedAs(width),
  })
  const shown = () => void markShown({ outfits: lined.map(({ id }) => id), how: 'line-up' })
  const set = (at: number, next: Partial<ScaleObject>) =>
    change({ objects: objects.map((object, i) => (i === at ? { ...object, ...next } : object)) })
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <label className="flex items-center gap-2">
          Stand in
          <select
            value={tiers}
            onChange={(event) => change({ tiers: Number(event.target.value) })}
            className="rounded-[8px] border border-rule bg-card px-2 py-1"
          >
            <option value={1}>one row</option>
            {[2, 3, 4].map((count) => (
              <option key={count} value={count}>
                {count} tiers, the tallest behind
              </option>
            ))}
          </select>
        </label>
        {tiers > 1 && (
          <>
            <label className="flex items-center gap-2">
              each step
              <input
                type="number"
                min={0}
                max={120}
                value={step}
                onChange={(event) =>
                  change({ step: Math.max(0, Math.min(120, Math.round(Number(event.target.value)))) })
                }
                className={number}
              />
              mm
            </label>
            <span className="text-soft">
              {step >= pose.clearStep ? 'No face is hidden.' : `From ${pose.clearStep} mm on no face is hidden.`}{' '}
              {step < pose.clearStep && (
                <Button look="plain" className="px-1.5 py-0" onClick={() => change({ step: pose.clearStep })}>
                  Use {pose.clearStep} mm
                </Button>
              )}
            </span>
          </>
        )}
        <span>
          <strong>{formatLength(Math.ceil(pose.width))}</strong> wide,{' '}
          <strong>{formatLength(Math.ceil(pose.height))}</strong> high
        </span>
        <PrintedWidth width={width} onChange={(next) => change({ width: next })} />
        <span className="flex items-center gap-1">
          <StepsBack choices={choices} />
        </span>
        <ExportBar
          onTaken={shown}
          files={(['SVG', 'PDF', 'PNG'] as const).map((name) => ({
            name,
            href: `/api/rosters/${roster.id}/line-up.${name.toLowerCase()}?${query.toString()}`,
          }))}
        />
      </div>
      <div
        role="img"
        aria-label={`Line-up of ${counted(lined.length, 'outfit')}`}
        className="mt-3 overflow-x-auto rounded-[10px] border border-rule bg-[#F8F3E8] [&>svg]:mx-auto [&>svg]:h-auto [&>svg]:max-h-[440px] [&>svg]:w-auto [&>svg]:max-w-full"
        dangerouslySetInnerHTML={{ __html: svg }}
      />
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_430px] gap-8 phone:grid-cols-1 phone:[&>*]:min-w-0">
        <section aria-labelledby="heights">
          <h2 id="heights" className="text-xl">
            Heights in millimetres
          </h2>
          <table className="mt-1 w-full text-left tabular-nums">
            <thead>
              <tr className="border-b border-rule">
                <th className="py-1">In the picture</th>
                <th>Whole</th>
                <th>Riser</th>
                <th>Legs</th>
                <th>Body</th>
                <th>Headgear</th>
                <th>Age asks, legs are</th>
              </tr>
            </thead>
            <tbody>
              {dressed.map((outfit) => {
                const own = lined.find(({ id }) => id === outfit.id) ?? (catalogue && linedUp(outfit, catalogue))
                const tall = own && tallnessOf(own)
                const line = statures.find(({ id }) => id === outfit.id)!
                return (
                  <tr key={outfit.id} className="border-b border-rule">
                    <td className="py-1">
                      <label className="flex items-center gap-2">
                        <input
                          type="checkbox"
                          checked={!left.has(outfit.id)}
                          onChange={() =>
                            change({
                              left: left.has(outfit.id)
                                ? setting.left.filter((id) => id !== outfit.id)
                                : [...setting.left, outfit.id],
                            })
                          }
                          className="size-4 accent-[var(--act)]"
                        />
                        {outfit.name}
                      </label>
                    </td>
                    <td className="font-semibold">{tall?.whole.toFixed(1)}</td>
                    <td>{tall && tall.riser > 0 ? tall.riser.toFixed(1) : '–'}</td>
                    <td>{tall?.legs.toFixed(1)}</td>
                    <td>{tall?.body.toFixed(1)}</td>
                    <td>{tall?.headgear.toFixed(1)}</td>
                    <td>
                      {line.asked === null ? (
                        <span className="text-soft">no age told, {line.worn ?? 'no legs'}</span>
                      ) : (
                        <span className={line.inLine ? '' : 'font-semibold text-notice'}>
                          {line.years} years: {line.asked}, {line.inLine ? 'as they are' : `out of line: ${line.worn}`}
                        </span>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </section>
        <section aria-labelledby="scale">
          <h2 id="scale" className="text-xl">
            For scale
          </h2>
          <p className="text-[13.5px] text-soft">
            Sizes in millimetres. A figure takes {footing().width} mm from elbow to elbow and {footing().depth} mm in
            depth.
          </p>
          <ul>
            {objects.map((object, at) => {
              const room = howManyFit(object)
              return (
                <li key={at} className="border-t border-rule py-1.5">
                  <span className="flex items-center gap-1.5">
                    <input
                      value={object.name}
                      aria-label="What it is"
                      maxLength={40}
                      onChange={(event) => set(at, { name: event.target.value })}
                      className="w-[130px] rounded-[8px] border border-rule bg-card px-2 py-0.5"
                    />
                    <select
                      value={object.shape}
                      aria-label={`Shape of ${object.name}`}
                      onChange={(event) => set(at, { shape: event.target.value as ObjectShape })}
                      className="rounded-[8px] border border-rule bg-card px-1 py-0.5"
                    >
                      {OBJECT_SHAPES.map((shape) => (
                        <option key={shape}>{shape}</option>
                      ))}
                    </select>
                    <button
                      type="button"
                      aria-label={`Take ${object.name} away`}
                      onClick={() => change({ objects: objects.filter((_, i) => i !== at) })}
                      className="ml-auto rounded-full p-1 text-soft hover:bg-band hover:text-ink"
                    >
                      <X aria-hidden className="size-4" />
                    </button>
                  </span>
                  <span className="mt-1 flex items-center gap-2 text-[13.5px]">
                    {(['width', 'height', 'depth'] as const).map((side) => (
                      <label key={side} className="flex items-center gap-1">
                        {side}
                        <input
                          type="number"
                          min={side === 'depth' ? 0 : 1}
                          max={2000}
                          value={object[side]}
                          onChange={(event) =>
                            set(at, { [side]: Math.max(0, Math.min(2000, Number(event.target.value))) })
                          }
                          className={number}
                        />
                      </label>
                    ))}
                  </span>
                  <span className="block text-[13.5px]">
                    {room.all > 0 ? (
                      <>
                        Room for <strong>{room.all}</strong>: {room.inRow} in a row, {room.rows}{' '}
                        {room.rows === 1 ? 'row' : 'rows'} deep.
                      </>
                    ) : (
                      <span className="text-soft">Nobody stands or sits on it.</span>
                    )}
                  </span>
                </li>
              )
            })}
          </ul>
          <div className="mt-2 flex flex-wrap gap-2">
            {USUAL.map((object) => (
              <Button
                key={object.name}
                className="px-2.5 py-1"
                disabled={objects.length >= MOST_OBJECTS}
                onClick={() => change({ objects: [...objects, object] })}
              >
                <Plus aria-hidden className="size-4" /> {object.name}
              </Button>
            ))}
          </div>
        </section>
      </div>
    </>
  )
}

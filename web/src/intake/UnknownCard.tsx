import { useMemo } from 'react'
import { catalogueOf, plainPart } from '@outfit/core/catalogue'
import { OWN_KINDS, type Answer, type LookedAt, type Unknown } from '@outfit/core/intake'
import { counted } from '../ui/counted.ts'
import { PartPicture } from '../ui/PartPicture.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { candidateName } from './listWords.ts'

const WORN = {
  held: 'in the hand',
  headgear: 'on the head',
  neck: 'round the neck',
  waist: 'round the waist',
  beside: 'beside the figure',
} as const

const same = (a: Answer, b: Answer) => JSON.stringify(a) === JSON.stringify(b)

interface UnknownCardProps {
  unknown: Unknown
  list: LookedAt
  onAnswer: (answer: Answer) => void
}

/** Colours shapes are shown in, the first the palette has: neither skin nor so dark that nothing is seen. */
const SHOWN_IN = ['blue', 'red', 'green', 'brown', 'grey']

/** What draws the shapes some words may mean; null where they are no part. */
function useDrawn({ what, candidates }: Unknown, { colours, moulds }: LookedAt) {
  return useMemo(() => {
    if (what !== 'part') return null
    const [colour] = SHOWN_IN.flatMap((family) => colours.filter((one) => one.family === family))
    const shapes = moulds.filter(({ code }) => candidates.includes(code))
    const parts = shapes.map((mould) => plainPart(mould, (colour ?? colours[0])?.code ?? ''))
    return catalogueOf({ colours, moulds, prints: [], parts })
  }, [what, candidates, colours, moulds])
}

/** Words nobody knows, with what they may mean; what is pressed goes for all rows that say them. */
export function UnknownCard({ unknown, list, onAnswer }: UnknownCardProps) {
  const { what, words, rows, lines, candidates, answer, hex } = unknown
  const drawn = useDrawn(unknown, list)
  const ways: { answer: Answer; name: string; hex?: string; mould?: string }[] = [
    ...candidates.map((code) => ({
      answer: { take: code },
      name: candidateName(what, code, list),
      ...(what === 'part' ? { mould: code } : {}),
      ...(what === 'colour' ? { hex: list.colours.find((colour) => colour.code === code)?.hex ?? '' } : {}),
    })),
    ...(what === 'colour'
      ? [
          {
            answer: 'make' in answer ? answer : { make: hex ?? '#8A8D91' },
            name: 'a colour of its own',
          },
        ]
      : []),
    ...(what === 'part' ? [{ answer: 'make' in answer ? answer : { make: 'held' }, name: 'a shape of its own' }] : []),
    ...(what === 'bin' || what === 'seller' ? [{ answer: { make: words }, name: `new ${what}` }] : []),
    ...(what === 'condition' ? [{ answer: { make: 'remark' }, name: 'neither: keep it as a remark' }] : []),
    { answer: { leave: true }, name: 'leave these rows out' },
  ]
  const where = lines.length < rows ? `first on line ${lines[0]}` : `line ${lines.join(', ')}`
  return (
    <fieldset className="rounded-[10px] border border-rule bg-card px-3.5 py-3">
      <legend className="sr-only">{words || 'no word'}</legend>
      <p aria-hidden>
        <strong>{words ? `“${words}”` : 'no colour said'}</strong>{' '}
        <span className="text-[13px] text-soft">
          {what === 'part' ? 'a part' : `a ${what}`}, {counted(rows, 'row')}, {where}
        </span>
      </p>
      <div className="mt-2 flex flex-wrap gap-1.5">
        {ways.map((way) => {
          const chosen = same(way.answer, answer)
          return (
            <label
              key={`${JSON.stringify(way.answer)}`}
              className={`inline-flex cursor-pointer items-center gap-1.5 rounded-full border px-2.5 py-0.5 text-[14px] focus-within:outline-2 focus-within:outline-act ${chosen ? 'border-act font-semibold text-act' : 'border-rule text-soft hover:border-act'}`}
            >
              <input
                type="radio"
                name={unknown.key}
                checked={chosen}
                onChange={() => onAnswer(way.answer)}
                className="sr-only"
              />
              {way.hex && <Swatch colour={{ code: '', name: '', finish: 'solid', family: '', hex: way.hex }} />}
              {way.mould && drawn?.parts.has(way.mould) && (
                <span aria-hidden className="-my-0.5 h-9 w-9 shrink-0">
                  <PartPicture
                    part={drawn.parts.get(way.mould)!}
                    catalogue={drawn}
                    label=""
                    className="h-full w-full"
                  />
                </span>
              )}
              {way.name}
            </label>
          )
        })}
        {what === 'part' && 'make' in answer && (
          <label className="inline-flex items-center gap-1.5 text-[13px] text-soft">
            worn
            <select
              value={answer.make}
              aria-label={`How ${words} is worn`}
              onChange={({ target }) => onAnswer({ make: target.value })}
              className="rounded-[6px] border border-rule bg-card px-1.5 py-0.5"
            >
              {OWN_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {WORN[kind]}
                </option>
              ))}
            </select>
          </label>
        )}
        {what === 'colour' && 'make' in answer && (
          <label className="inline-flex items-center gap-1.5 text-[13px] text-soft">
            as
            <input
              type="color"
              value={answer.make.toLowerCase()}
              aria-label={`The colour of ${words}`}
              onChange={({ target }) => onAnswer({ make: target.value.toUpperCase() })}
              className="h-6 w-9 rounded-[6px] border border-rule"
            />
          </label>
        )}
      </div>
    </fieldset>
  )
}

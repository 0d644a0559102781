import { Popover } from 'radix-ui'
import { Scissors } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { mouldOf, type Alteration, type AlterationKind, type Placement } from '@outfit/core/catalogue'
import {
  alterationsFor,
  CAUTIONS,
  CAUTIONS_OF,
  officialVersionsOf,
  valueLost,
  type FittingContext,
} from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { ALTERATION_WORDS } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { alteredInWords } from './alteredInWords.ts'
import { lookOf } from './lookOf.ts'

interface AlterProps {
  placement: Placement
  placements: readonly Placement[]
  context: FittingContext
  rulesAt: string
  onChange: (placements: Placement[]) => void
  onPreview: (placements: Placement[] | null) => void
}

const field = 'rounded-[8px] border border-rule bg-paper px-2 py-1'
const press = 'text-[13px] font-semibold text-act hover:underline'

/** What is done to a worn part for good: planned here with its cautions, what it costs, and what would spare it. */
export function Alter(props: AlterProps) {
  const { placement, context, onPreview } = props
  const [open, setOpen] = useState(false)
  const part = context.catalogue.parts.get(placement.part)
  if (!part) return null
  const done = placement.altered ?? []
  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next)
        if (!next) onPreview(null)
      }}
    >
      <Popover.Trigger
        className="inline-flex items-center gap-1 rounded-[7px] px-1.5 py-0.5 text-[13px] font-semibold text-act hover:bg-band"
        aria-label={`Alter ${part.name}`}
        title={done.length > 0 ? alteredInWords(done, context.catalogue) : 'Alter it for good'}
      >
        <Scissors aria-hidden className="size-3.5" />
        {done.length > 0 && <span className="tabular-nums">{done.length}</span>}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="left"
          align="start"
          sideOffset={10}
          collisionPadding={16}
          aria-label={`Alter ${part.name}`}
          className="z-20 max-h-[80vh] w-[330px] overflow-y-auto rounded-[14px] border border-rule bg-card p-4 shadow-xl"
        >
          <Plan {...props} close={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Plan({
  placement,
  placements,
  context,
  rulesAt,
  onChange,
  onPreview,
  close,
}: AlterProps & { close: () => void }) {
  const { catalogue } = context
  const part = catalogue.parts.get(placement.part)!
  const kinds = alterationsFor(placement, context)
  const [kind, setKind] = useState<AlterationKind | null>(null)
  const [colour, setColour] = useState(part.colours[0] ?? '')
  const [print, setPrint] = useState('')
  const [share, setShare] = useState(20)
  const [note, setNote] = useState('')
  const done = placement.altered ?? []
  const { data: prints = [] } = api.endpoints.prints.useQuery(
    { kind: mouldOf(catalogue, part).kind },
    { skip: kind !== 'sticker' },
  )
  const withAlterations = (altered: Alteration[]): Placement[] =>
    placements.map((p) => {
      if (p !== placement) return p
      const { altered: _before, ...asMade } = p
      return altered.length > 0 ? { ...asMade, altered } : asMade
    })
  const made = (over: Partial<Alteration> = {}): Alteration | null =>
    kind && {
      kind,
      ...(kind === 'painted' ? { colour } : {}),
      ...(kind === 'sticker' ? { print } : {}),
      ...(kind === 'trimmed' || kind === 'cut' ? { share } : {}),
      note: note.trim(),
      ...over,
    }
  const show = (over: Partial<Alteration>) => {
    const next = made(over)
    if (next && (next.kind !== 'sticker' || next.print)) onPreview(withAlterations([...done, next]))
  }
  const planned = made()
  const complete = planned !== null && (planned.kind !== 'sticker' || planned.print !== '')
  const after = complete ? { ...placement, altered: [...done, planned] } : null
  const [official] = after ? officialVersionsOf(after, context) : []
  const lost = valueLost(part, context)
  return (
    <div className="text-[14px]">
      <h3 className="text-lg leading-tight">{lookOf(catalogue, part.code)}</h3>
      {done.length > 0 && (
        <ul className="mt-2" aria-label="Done for good">
          {done.map((one, i) => (
            <li key={i} className="flex items-baseline gap-2 border-t border-rule py-1">
              <span>
                {alteredInWords([one], catalogue)}
                {one.note && <span className="text-soft"> “{one.note}”</span>}
              </span>
              {one.final ? (
                <strong className="ml-auto shrink-0 text-[13px]">done, for good</strong>
              ) : (
                <span className="ml-auto flex shrink-0 gap-3">
                  <button
                    type="button"
                    className={press}
                    title="It is recorded as final and stays with the part"
                    onClick={() =>
                      onChange(withAlterations(done.map((was, at) => (at === i ? { ...was, final: true } : was))))
                    }
                  >
                    It is done
                  </button>
                  <button
                    type="button"
                    className={press}
                    onClick={() => {
                      onChange(withAlterations(done.filter((_, at) => at !== i)))
                      close()
                    }}
                  >
                    Not after all
                  </button>
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      {kinds.length === 0 ? (
        <p className="mt-2 text-soft">
          The house rules alter nothing here.{' '}
          <Link to={rulesAt} className="font-semibold text-act underline">
            Read or change them
          </Link>
        </p>
      ) : (
        <form
          className="mt-2 space-y-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (!complete) return
            onChange(withAlterations([...done, planned]))
            close()
          }}
        >
          <div role="group" aria-label="What to do" className="flex flex-wrap gap-1.5">
            {kinds.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={one === kind}
                onClick={() => {
                  setKind(one)
                  show({
                    kind: one,
                    ...(one === 'painted' ? { colour } : {}),
                    ...(one === 'trimmed' || one === 'cut' ? { share } : {}),
                  })
                }}
                className={`rounded-full border px-2.5 py-0.5 text-[13px] ${one === kind ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-paper hover:border-act'}`}
              >
                {ALTERATION_WORDS[one].label}
              </button>
            ))}
          </div>
          {kind === 'painted' && (
            <select
              aria-label="Paint"
              value={colour}
              onChange={(event) => {
                setColour(event.target.value)
                show({ colour: event.target.value })
              }}
              className={`${field} w-full`}
            >
              {[...catalogue.colours.values()].map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </select>
          )}
          {kind === 'sticker' && (
            <select
              aria-label="Print of the sticker"
              value={print}
              onChange={(event) => {
                setPrint(event.target.value)
                show({ print: event.target.value })
              }}
              className={`${field} w-full`}
            >
              <option value="">Which print?</option>
              {prints.map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </select>
          )}
          {(kind === 'trimmed' || kind === 'cut') && (
            <label className="flex items-center gap-2">
              <input
                type="range"
                min={5}
                max={80}
                step={5}
                value={share}
                aria-label="Share of its length that comes off"
                onChange={(event) => {
                  setShare(Number(event.target.value))
                  show({ share: Number(event.target.value) })
                }}
                className="flex-1 accent-[var(--act)]"
              />
              <span className="w-[92px] tabular-nums">{share} % comes off</span>
            </label>
          )}
          {kind && (
            <>
              <input
                value={note}
                maxLength={300}
                onChange={(event) => setNote(event.target.value)}
                placeholder={kind === 'by-others' ? 'Made by …' : 'How, with what'}
                aria-label="Note"
                className={`${field} w-full placeholder:text-soft`}
              />
              {official && (
                <p className="rounded-[8px] border border-good px-2 py-1">
                  There is an official one: <strong>{lookOf(catalogue, official.code)}</strong>. It keeps its value.
                </p>
              )}
              <p>
                {lost === null
                  ? 'Nobody sells this part singly, so what is lost cannot be told.'
                  : `Gives up a part that costs ${homeMoney(lost)} today.`}{' '}
                It cannot be taken back once it is done.
              </p>
              <ul aria-label="Cautions" className="border-l-[3px] border-notice pl-2 text-[13px] leading-snug">
                {CAUTIONS_OF[kind].map((caution) => (
                  <li key={caution} className="py-0.5">
                    {CAUTIONS[caution]}
                  </li>
                ))}
                <li className="py-0.5 text-soft">The usual cautions; follow safety sheets and local rules first.</li>
              </ul>
              <Button look="act" type="submit" disabled={!complete}>
                Plan it, for good
              </Button>
            </>
          )}
        </form>
      )}
    </div>
  )
}

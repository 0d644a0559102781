import { Dialog } from 'radix-ui'
import { useDeferredValue, useState, type ReactNode } from 'react'
import { wishesFrom, type BriefWish, type Stature } from '@outfit/core/brief'
import { catalogueOf, mouldOf, type Catalogue, type Drawables, type Placement } from '@outfit/core/catalogue'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote } from '../ui/Notes.tsx'

/** What a brief may begin with: wishes, how tall somebody is where that is said, and what it is called. */
type OnStart = (wishes: BriefWish[], stature: Stature | null, name: string) => void

interface LikeThisProps {
  /** The outfit the brief is of, which is not like itself. */
  outfit: string
  catalogue: Catalogue
  onStart: OnStart
}

/** One of those a brief may begin with. */
interface Entry {
  key: string
  name: string
  more: string
}

const KINDS = [
  { key: 'figure', label: 'A figure', find: 'Find a figure', none: 'No figure is called so.' },
  { key: 'outfit', label: 'An outfit', find: 'Find an outfit', none: 'No outfit is called so.' },
  { key: 'template', label: 'A template', find: 'Find a template', none: 'No template is called so.' },
] as const
type Kind = (typeof KINDS)[number]['key']

/** "Like this, but …": a brief that begins with all a released figure shows, with that of another outfit, or with a template. */
export function LikeThis({ outfit, catalogue, onStart }: LikeThisProps) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button className="px-2 py-1 text-[13.5px]">Like this, but …</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-30 flex h-[590px] w-[720px] -translate-x-1/2 -translate-y-1/2 flex-col rounded-[14px] border border-rule bg-card p-5 shadow-xl">
          <Dialog.Title className="text-xl">Like this, but …</Dialog.Title>
          <Dialog.Description className="text-soft">
            The brief begins with everything of it. Change what shall be different afterwards; undo brings back what was
            there.
          </Dialog.Description>
          <Choice
            outfit={outfit}
            catalogue={catalogue}
            onStart={(...started) => {
              onStart(...started)
              setOpen(false)
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Choice({ outfit, catalogue, onStart }: LikeThisProps) {
  const [kind, setKind] = useState<Kind>('figure')
  const [text, setText] = useState('')
  const [picked, setPicked] = useState<string | null>(null)
  const { entries, error } = useEntries(kind, useDeferredValue(text), outfit)
  const shown = entries.find(({ key }) => key === picked) ?? entries[0] ?? null
  const { find, none } = KINDS.find(({ key }) => key === kind)!
  const Model = { figure: FigureModel, outfit: OutfitModel, template: TemplateModel }[kind]
  return (
    <>
      <div role="group" aria-label="Begin with" className="mt-2 flex gap-1.5">
        {KINDS.map(({ key, label }) => (
          <button
            key={key}
            type="button"
            aria-pressed={key === kind}
            onClick={() => {
              setKind(key)
              setPicked(null)
            }}
            className={`rounded-full border px-3 py-0.5 ${key === kind ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule hover:border-act'}`}
          >
            {label}
          </button>
        ))}
      </div>
      <div className="mt-3 grid min-h-0 flex-1 grid-cols-[1fr_260px] gap-4">
        <div className="flex min-h-0 flex-col">
          <input
            type="search"
            autoFocus
            value={text}
            onChange={(event) => {
              setText(event.target.value)
              setPicked(null)
            }}
            placeholder="Name or code"
            aria-label={find}
            className="rounded-[8px] border border-rule bg-paper px-2 py-1.5 placeholder:text-soft"
          />
          {error ? (
            <ErrorNote>{errorText(error)}</ErrorNote>
          ) : (
            <ul aria-label={`${find.slice(5)} to begin with`} className="mt-2 min-h-0 flex-1 overflow-y-auto">
              {entries.map(({ key, name, more }) => (
                <li key={key}>
                  <button
                    type="button"
                    aria-pressed={key === shown?.key}
                    onClick={() => setPicked(key)}
                    className={`block w-full rounded-[8px] px-2 py-1 text-left ${key === shown?.key ? 'bg-act font-semibold text-act-ink' : 'hover:bg-band'}`}
                  >
                    {name} <span className="opacity-80">{more}</span>
                  </button>
                </li>
              ))}
              {entries.length === 0 && (
                <li className="py-6 text-center text-soft">
                  {kind === 'template' && text === ''
                    ? 'Nothing is kept yet: “For others …” on the page of all briefs keeps wishes under a name.'
                    : none}
                </li>
              )}
            </ul>
          )}
        </div>
        {shown && <Model key={shown.key} of={shown} catalogue={catalogue} onStart={onStart} />}
      </div>
    </>
  )
}

/** What there is of a kind that words find. */
function useEntries(kind: Kind, words: string, outfit: string): { entries: Entry[]; error?: unknown } {
  const figures = api.endpoints.figures.useQuery(words, { skip: kind !== 'figure' })
  const shelves = api.endpoints.shelves.useQuery(undefined, { skip: kind !== 'outfit' })
  const templates = rosterApi.endpoints.templates.useQuery(undefined, { skip: kind !== 'template' })
  const wanted = words.trim().toLowerCase()
  const found = (list: Entry[]) =>
    list.filter(({ name, more }) => `${name} ${more}`.toLowerCase().includes(wanted)).slice(0, 200)
  if (kind === 'figure')
    return {
      entries: (figures.data ?? []).map(({ code, name, year }) => ({ key: code, name, more: String(year) })),
      error: figures.error,
    }
  if (kind === 'outfit')
    return {
      entries: found(
        (shelves.data?.rosters ?? []).flatMap(({ name: roster, outfits }) =>
          outfits.filter(({ id }) => id !== outfit).map(({ id, name }) => ({ key: id, name, more: roster })),
        ),
      ),
      error: shelves.error,
    }
  return {
    entries: found(
      (templates.data ?? []).map(({ id, name, wishes }) => ({
        key: id,
        name,
        more: counted(wishes.length, 'wish', 'wishes'),
      })),
    ),
    error: templates.error,
  }
}

interface ModelProps {
  of: Entry
  catalogue: Catalogue
  onStart: OnStart
}

const withDrawables = (catalogue: Catalogue, { parts, prints }: Drawables): Catalogue =>
  catalogueOf({ colours: [...catalogue.colours.values()], moulds: [...catalogue.moulds.values()], parts, prints })

function FigureModel({ of, catalogue, onStart }: ModelProps) {
  const { data: figure } = api.endpoints.figure.useQuery(of.key)
  if (!figure) return <p className="text-soft">Fetching the figure…</p>
  const from = withDrawables(catalogue, figure)
  const leg = figure.worn.find(({ slot }) => slot === 'legRight')
  const part = leg && from.parts.get(leg.part)
  const length = part ? mouldOf(from, part).traits['length'] : 'full'
  return (
    <Beginning
      name={of.name}
      worn={figure.worn}
      from={from}
      wishes={wishesFrom(figure.worn, from)}
      what={`from ${counted(figure.worn.length, 'part')}`}
      stature={(length ?? 'full') as Stature}
      onStart={onStart}
    />
  )
}

function OutfitModel({ of, catalogue, onStart }: ModelProps) {
  const { data: outfit } = api.endpoints.outfit.useQuery(of.key)
  if (!outfit) return <p className="text-soft">Fetching the outfit…</p>
  const from = withDrawables(catalogue, outfit)
  const worn = outfit.takes.find(({ chosen }) => chosen)?.placements ?? []
  const own = outfit.brief.wishes
  return (
    <Beginning
      name={of.name}
      worn={worn}
      from={from}
      // Whoever was never briefed is told of by what they wear.
      wishes={own.length > 0 ? own : wishesFrom(worn, from)}
      what={own.length > 0 ? 'of its brief' : `from ${counted(worn.length, 'part')}`}
      stature={outfit.brief.stature}
      onStart={onStart}
    />
  )
}

function TemplateModel({ of, onStart }: ModelProps) {
  const { data = [] } = rosterApi.endpoints.templates.useQuery()
  const [remove] = rosterApi.endpoints.removeTemplate.useMutation()
  const template = data.find(({ id }) => id === of.key)
  if (!template) return null
  return (
    <Beginning name={of.name} wishes={template.wishes} what="kept" stature={null} onStart={onStart}>
      <Button look="plain" className="mt-1" onClick={() => void remove(template.id)}>
        Forget this template
      </Button>
    </Beginning>
  )
}

interface BeginningProps {
  name: string
  worn?: Placement[]
  from?: Catalogue
  wishes: BriefWish[]
  what: string
  stature: Stature | null
  onStart: OnStart
  children?: ReactNode
}

function Beginning({ name, worn, from, wishes, what, stature, onStart, children }: BeginningProps) {
  return (
    <div className="flex min-h-0 flex-col">
      {worn && from ? (
        <Figure placements={worn} from={from} label={name} className="min-h-0 flex-1" />
      ) : (
        <span className="flex-1" />
      )}
      <p className="mt-1 text-center text-[13px] text-soft">
        {counted(wishes.length, 'wish', 'wishes')} {what}
      </p>
      <Button look="act" className="mt-2" disabled={wishes.length === 0} onClick={() => onStart(wishes, stature, name)}>
        Begin with {name}
      </Button>
      {children}
    </div>
  )
}

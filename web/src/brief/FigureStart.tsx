import { Dialog } from 'radix-ui'
import { useDeferredValue, useState } from 'react'
import { wishesFrom, type BriefWish, type Stature } from '@outfit/core/brief'
import { catalogueOf, mouldOf, type Catalogue } from '@outfit/core/catalogue'
import { api, errorText, type FigureEntry } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote } from '../ui/Notes.tsx'
import { counted } from '../ui/counted.ts'

interface FigureStartProps {
  catalogue: Catalogue
  onStart: (wishes: BriefWish[], stature: Stature, name: string) => void
}

/** "Like this, but …": a brief that begins with all a released figure shows. */
export function FigureStart({ catalogue, onStart }: FigureStartProps) {
  const [open, setOpen] = useState(false)
  const [text, setText] = useState('')
  const words = useDeferredValue(text)
  const { data: figures = [], error } = api.endpoints.figures.useQuery(words, { skip: !open })
  const [picked, setPicked] = useState<FigureEntry | null>(null)
  const shown = picked ?? figures[0] ?? null
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button className="px-2 py-1 text-[13.5px]">Like this, but …</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-30 flex h-[560px] w-[720px] -translate-x-1/2 -translate-y-1/2 flex-col rounded-[14px] border border-rule bg-card p-5 shadow-xl">
          <Dialog.Title className="text-xl">Like this figure, but …</Dialog.Title>
          <Dialog.Description className="text-soft">
            The brief begins with everything a released figure shows. Change what shall be different afterwards; undo
            brings back what was there.
          </Dialog.Description>
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
                placeholder="Name or code of a figure"
                aria-label="Find a figure"
                className="rounded-[8px] border border-rule bg-paper px-2 py-1.5 placeholder:text-soft"
              />
              {error ? (
                <ErrorNote>{errorText(error)}</ErrorNote>
              ) : (
                <ul aria-label="Figures" className="mt-2 min-h-0 flex-1 overflow-y-auto">
                  {figures.map((figure) => (
                    <li key={figure.code}>
                      <button
                        type="button"
                        aria-pressed={figure.code === shown?.code}
                        onClick={() => setPicked(figure)}
                        className={`block w-full rounded-[8px] px-2 py-1 text-left ${figure.code === shown?.code ? 'bg-act font-semibold text-act-ink' : 'hover:bg-band'}`}
                      >
                        {figure.name} <span className="opacity-80">{figure.year}</span>
                      </button>
                    </li>
                  ))}
                  {figures.length === 0 && <li className="py-6 text-center text-soft">No figure is called so.</li>}
                </ul>
              )}
            </div>
            {shown && (
              <Model
                key={shown.code}
                code={shown.code}
                catalogue={catalogue}
                onStart={(...started) => {
                  onStart(...started)
                  setOpen(false)
                }}
              />
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Model({ code, catalogue, onStart }: { code: string } & FigureStartProps) {
  const { data: figure } = api.endpoints.figure.useQuery(code)
  if (!figure) return <p className="text-soft">Fetching the figure…</p>
  const from = catalogueOf({
    colours: [...catalogue.colours.values()],
    moulds: [...catalogue.moulds.values()],
    parts: figure.parts,
    prints: figure.prints,
  })
  const wishes = wishesFrom(figure.worn, from)
  const leg = figure.worn.find(({ slot }) => slot === 'legRight')
  const part = leg && from.parts.get(leg.part)
  const length = part ? mouldOf(from, part).traits['length'] : 'full'
  return (
    <div className="flex min-h-0 flex-col">
      <Figure placements={figure.worn} from={from} label={figure.name} className="min-h-0 flex-1" />
      <p className="mt-1 text-center text-[13px] text-soft">
        {counted(wishes.length, 'wish', 'wishes')} from {counted(figure.worn.length, 'part')}
      </p>
      <Button look="act" className="mt-2" onClick={() => onStart(wishes, (length ?? 'full') as Stature, figure.name)}>
        Begin with {figure.name}
      </Button>
    </div>
  )
}

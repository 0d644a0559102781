import { useState } from 'react'
import { partLabel } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { FIELD } from '../ui/FormDialog.tsx'
import { useSettled } from '../ui/useSettled.ts'
import type { Thing } from '../data/drawerApi.ts'

/** So many of each kind are told. */
const SHOWN = 5

export type Named = Omit<Thing, 'qty'> & { name: string }

interface FindThingProps {
  label: string
  /** Only parts, or figures and releases too. */
  kinds?: readonly Thing['kind'][]
  onPick: (thing: Named) => void
}

/** Find a part, a figure or a release by words or code, and take it. */
export function FindThing({ label, kinds = ['part', 'figure', 'release'], onPick }: FindThingProps) {
  const [text, setText] = useState('')
  const settled = useSettled(text.trim())
  const skip = settled === ''
  const catalogue = useAppSelector(selectCatalogue)
  const parts = api.endpoints.findParts.useQuery(
    { text: settled, limit: SHOWN },
    { skip: skip || !kinds.includes('part') },
  )
  const figures = api.endpoints.figures.useQuery(settled, { skip: skip || !kinds.includes('figure') })
  const releases = api.endpoints.releases.useQuery(settled, { skip: skip || !kinds.includes('release') })
  const found: (Named & { about: string })[] = skip
    ? []
    : [
        ...(releases.currentData ?? [])
          .slice(0, SHOWN)
          .map(({ code, name, kind, year }) => ({ kind: 'release' as const, code, name, about: `${kind}, ${year}` })),
        ...(figures.currentData ?? [])
          .slice(0, SHOWN)
          .map(({ code, name, year }) => ({ kind: 'figure' as const, code, name, about: `figure, ${year}` })),
        ...(parts.currentData?.items ?? []).map(({ part }) => ({
          kind: 'part' as const,
          code: part.code,
          name: catalogue ? partLabel(catalogue, part) : part.name,
          about: part.code,
        })),
      ]
  const waiting = [parts, figures, releases].some(({ isFetching }) => isFetching)
  const pick = (thing: Named) => {
    onPick(thing)
    setText('')
  }
  return (
    <div>
      <label className="block font-semibold">
        {label}
        <input
          type="search"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            if (found[0] && text.trim() === settled) pick(found[0])
          }}
          placeholder={kinds.length > 1 ? 'words or code of a part, a figure or a box' : 'words or code'}
          className={FIELD}
        />
      </label>
      {!skip && (
        <ul aria-label="Found" className="mt-1 max-h-[190px] overflow-y-auto rounded-[8px] border border-rule">
          {found.length === 0 && (
            <li className="px-2 py-1 text-soft">{waiting ? 'Looking…' : `Nothing is called “${settled}”.`}</li>
          )}
          {found.map((thing) => (
            <li key={`${thing.kind} ${thing.code}`}>
              <button
                type="button"
                onClick={() => pick(thing)}
                className="flex w-full gap-2 px-2 py-1 text-left hover:bg-band focus:bg-band"
              >
                <span className="min-w-0 flex-1 truncate">{thing.name}</span>
                <span className="text-soft">{thing.about}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

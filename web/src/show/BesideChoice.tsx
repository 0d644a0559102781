import { useDeferredValue, useId, useState } from 'react'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { BESIDE_FIGURE } from '@outfit/core/show'
import { api } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'

const MOST = 8

interface BesideChoiceProps {
  outfit: OutfitDetail
  take: Take
  value: string
  onChange: (beside: string) => void
}

/** What stands beside the take on its card: another take, or a released figure found by its name. */
export function BesideChoice({ outfit, take, value, onChange }: BesideChoiceProps) {
  const id = useId()
  const [finding, setFinding] = useState(false)
  const code = value.startsWith(BESIDE_FIGURE) ? value.slice(BESIDE_FIGURE.length) : null
  const others = outfit.takes.filter((one) => one.id !== take.id)
  const known = value === '' || code !== null || others.some((one) => one.id === value)
  return (
    <div>
      <label htmlFor={id} className="font-semibold">
        Beside it
      </label>
      <select
        id={id}
        value={code !== null || finding ? BESIDE_FIGURE : known ? value : ''}
        onChange={({ target }) => {
          setFinding(target.value === BESIDE_FIGURE)
          if (target.value !== BESIDE_FIGURE) onChange(target.value)
        }}
        className="mt-1 w-full rounded-[8px] border border-rule bg-card px-2 py-1"
      >
        <option value="">nothing</option>
        {others.map(({ id: other, label }) => (
          <option key={other} value={other}>
            take {label}
          </option>
        ))}
        <option value={BESIDE_FIGURE}>a released figure</option>
      </select>
      {(finding || code !== null) && (
        <FigureChoice
          code={code}
          onChoose={(chosen) => {
            setFinding(false)
            onChange(`${BESIDE_FIGURE}${chosen}`)
          }}
        />
      )}
    </div>
  )
}

function FigureChoice({ code, onChoose }: { code: string | null; onChoose: (code: string) => void }) {
  const [text, setText] = useState('')
  const [open, setOpen] = useState(code === null)
  const { data: chosen } = api.endpoints.figure.useQuery(code ?? '', { skip: code === null })
  const { data: found = [], isSuccess } = api.endpoints.figures.useQuery(useDeferredValue(text), { skip: !open })
  if (!open)
    return (
      <p className="mt-1 flex items-center gap-2 text-[13.5px]">
        <span className="min-w-0 flex-1 truncate">{chosen?.name ?? code}</span>
        <Button look="plain" className="px-1.5 py-0 text-[13.5px]" onClick={() => setOpen(true)}>
          Another
        </Button>
      </p>
    )
  return (
    <>
      <input
        type="search"
        autoFocus
        value={text}
        onChange={({ target }) => setText(target.value)}
        placeholder="Name or code"
        aria-label="Find a released figure"
        className="mt-1 w-full rounded-[8px] border border-rule bg-paper px-2 py-1 placeholder:text-soft"
      />
      <ul aria-label="Released figures" className="mt-1 text-[13.5px]">
        {found.slice(0, MOST).map(({ code: one, name, year }) => (
          <li key={one}>
            <button
              type="button"
              onClick={() => {
                setOpen(false)
                onChoose(one)
              }}
              className="block w-full truncate rounded-[6px] px-2 py-0.5 text-left hover:bg-band"
            >
              {name} <span className="text-soft">{year}</span>
            </button>
          </li>
        ))}
        {isSuccess && found.length === 0 && (
          <li className="px-2 py-1 text-soft">
            {text === '' ? 'No figures are known here yet: bring in a set list.' : 'No figure is called so.'}
          </li>
        )}
      </ul>
    </>
  )
}

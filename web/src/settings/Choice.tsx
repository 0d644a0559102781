import { useId, type ReactNode } from 'react'
import { FIELD } from '../ui/FormDialog.tsx'

/** A field with its name above and what it is for below. */
export function Labelled({
  words,
  about,
  children,
}: {
  words: string
  about: string
  children: (id: string) => ReactNode
}) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="font-semibold">
        {words}
      </label>
      {children(id)}
      <p className="mt-1 text-[13.5px] text-soft">{about}</p>
    </div>
  )
}

/** One of several, each with its words; `onPick` gets both. */
export function Choice<T>({
  words,
  about,
  value,
  options,
  onPick,
}: {
  words: string
  about: string
  value: T
  options: readonly (readonly [value: T, words: string])[]
  onPick: (value: T, words: string) => void
}) {
  return (
    <Labelled words={words} about={about}>
      {(id) => (
        <select
          id={id}
          value={options.findIndex(([one]) => one === value)}
          onChange={({ target }) => onPick(...options[Number(target.value)]!)}
          className={`${FIELD} max-w-[420px]`}
        >
          {options.map(([, label], i) => (
            <option key={label} value={i}>
              {label}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  )
}

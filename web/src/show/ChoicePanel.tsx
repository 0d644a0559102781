import { Redo2, Undo2 } from 'lucide-react'
import { useId, useState, type ReactNode } from 'react'
import { Button } from '../ui/Button.tsx'
import type { Choices } from './useChoices.ts'

/** Choices at the right of a picture, with the way back and whether they are kept. */
export function ChoicePanel<T>({
  label,
  choices,
  children,
}: {
  label: string
  choices: Choices<T>
  children: ReactNode
}) {
  const { fault, retry } = choices
  return (
    <section
      aria-label={label}
      className="flex shrink-0 flex-col gap-4 border-rule md:w-[270px] md:overflow-y-auto md:border-l md:pl-5"
    >
      {children}
      <div className="flex items-center gap-1.5 border-t border-rule pt-3">
        <StepsBack choices={choices} />
      </div>
      {fault && (
        <p role="alert" className="text-problem">
          Not kept: {fault}{' '}
          <Button look="plain" className="px-1.5 py-0" onClick={retry}>
            Try again
          </Button>
        </p>
      )}
    </section>
  )
}

/** The way back and forward, and whether what is chosen is kept. */
export function StepsBack<T>({ choices: { undo, redo, fault, kept } }: { choices: Choices<T> }) {
  return (
    <>
      <Button look="plain" className="px-2" onClick={() => undo?.()} disabled={!undo} title="Ctrl or Cmd+Z">
        <Undo2 aria-hidden className="size-4" /> Undo
      </Button>
      <Button look="plain" className="px-2" onClick={() => redo?.()} disabled={!redo} title="Ctrl or Cmd+Shift+Z">
        <Redo2 aria-hidden className="size-4" /> Redo
      </Button>
      <span role="status" className="ml-auto text-[13px] text-soft">
        {fault ? '' : kept ? 'Kept' : 'Keeping…'}
      </span>
    </>
  )
}

/** One of a few. */
export function OneOf<V extends string | number>({
  label,
  value,
  options,
  onChoose,
}: {
  label: string
  value: V
  options: readonly (readonly [V, string])[]
  onChoose: (value: V) => void
}) {
  const name = useId()
  return (
    <fieldset>
      <legend className="font-semibold">{label}</legend>
      <div className="mt-0.5 flex flex-wrap gap-x-4 gap-y-0.5">
        {options.map(([option, words]) => (
          <label key={option} className="flex min-h-6 items-center gap-1.5">
            <input type="radio" name={name} checked={option === value} onChange={() => onChoose(option)} />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** Ticks of what a picture shows. */
export function Ticks<T>({
  label,
  choices: { value, change },
  options,
}: {
  label: string
  choices: Choices<T>
  options: readonly (readonly [keyof T, string])[]
}) {
  return (
    <fieldset>
      <legend className="font-semibold">{label}</legend>
      {options.map(([option, words]) => (
        <label key={String(option)} className="mt-0.5 flex min-h-6 items-center gap-1.5">
          <input
            type="checkbox"
            checked={value[option] as boolean}
            onChange={({ target }) => change({ [option]: target.checked } as Partial<T>)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  )
}

/** Words of one's own. What is too long stays in the field until it is shortened; the picture shows what fitted last. */
export function OwnWords({
  label,
  value,
  most,
  rows = 1,
  placeholder,
  onChange,
}: {
  label: string
  value: string
  most: number
  rows?: number
  placeholder: string
  onChange: (value: string) => void
}) {
  const id = useId()
  const [over, setOver] = useState({ text: '', beside: '' })
  const shown = over.text !== '' && over.beside === value ? over.text : value
  const left = most - shown.length
  const change = (typed: string) => {
    const text = typed.replace(/\s*\n\s*/g, ' ')
    const fits = text.length <= most
    setOver(fits ? { text: '', beside: '' } : { text, beside: value })
    if (fits) onChange(text)
  }
  return (
    <div>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={rows}
        value={shown}
        placeholder={placeholder}
        aria-invalid={left < 0}
        onChange={({ target }) => change(target.value)}
        className={`mt-1 w-full resize-none rounded-[8px] border bg-card px-2 py-1 ${left < 0 ? 'border-problem' : 'border-rule'}`}
      />
      {left < 0 ? (
        <p role="alert" className="text-[13px] text-problem">
          {-left} {left === -1 ? 'letter' : 'letters'} too many for this field. Shorten it; until then what fitted last
          is shown and kept.
        </p>
      ) : (
        left < 40 && <p className="text-[13px] text-soft">{left} letters left</p>
      )}
    </div>
  )
}

import { useId, useState } from 'react'

/**
 * A number that is typed. What is no number, or beyond its limits, stays in the field and is told; the last that was sound
 * goes on counting.
 */
export function NumberField({
  label,
  value,
  least,
  most,
  step = 1,
  unit = '',
  hidden = false,
  onChange,
}: {
  label: string
  value: number | null
  least: number
  most: number
  step?: number
  unit?: string
  /** The label is said and not shown. */
  hidden?: boolean
  onChange: (value: number) => void
}) {
  const id = useId()
  const [typed, type] = useState<{ text: string; beside: number | null } | null>(null)
  const text = typed && typed.beside === value ? typed.text : (value ?? '').toString()
  const number = Number(text.replace(',', '.'))
  const fault =
    text.trim() === '' || !Number.isFinite(number)
      ? 'Type a number.'
      : number < least || number > most
        ? `From ${least} to ${most}${unit && ` ${unit}`}.`
        : Number.isInteger(step) && !Number.isInteger(number)
          ? 'Only whole ones.'
          : ''
  return (
    <div>
      <span className="flex items-center gap-2">
        <label htmlFor={id} className={hidden ? 'sr-only' : ''}>
          {label}
        </label>
        <input
          id={id}
          inputMode="decimal"
          value={text}
          aria-invalid={fault !== '' && typed !== null}
          onChange={({ target }) => {
            const next = Number(target.value.replace(',', '.'))
            const sound =
              target.value.trim() !== '' &&
              next >= least &&
              next <= most &&
              (!Number.isInteger(step) || Number.isInteger(next))
            if (sound) onChange(next)
            type({ text: target.value, beside: sound ? next : value })
          }}
          onBlur={() => fault === '' && type(null)}
          className={`w-[72px] rounded-[8px] border bg-card px-2 py-0.5 tabular-nums ${fault && typed ? 'border-problem' : 'border-rule'}`}
        />
        {unit}
      </span>
      {fault && typed && (
        <p role="alert" className="text-[13px] text-problem">
          {fault}
        </p>
      )}
    </div>
  )
}

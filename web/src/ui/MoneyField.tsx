import { useState } from 'react'
import { decimalMoney, homeCurrency, readMoney } from '@outfit/core/market'

interface MoneyFieldProps {
  /** Home currency, minor units; null for none. */
  value: number | null
  onChange: (value: number | null) => void
  label: string
  placeholder?: string
  className?: string
}

/** An amount as people write it; what cannot be read is marked and not taken. */
export function MoneyField({ value, onChange, label, placeholder = 'any', className = '' }: MoneyFieldProps) {
  const shown = value === null ? '' : decimalMoney(value, homeCurrency())
  const [text, setText] = useState(shown)
  const [seen, setSeen] = useState(value)
  if (seen !== value) {
    setSeen(value)
    setText(shown)
  }
  const read = (): number | null | string => {
    if (text.trim() === '') return null
    try {
      return readMoney(text, homeCurrency())
    } catch (error) {
      return (error as Error).message
    }
  }
  const found = read()
  const wrong = typeof found === 'string'
  return (
    <input
      inputMode="decimal"
      aria-label={label}
      aria-invalid={wrong}
      title={wrong ? found : undefined}
      value={text}
      placeholder={placeholder}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => !wrong && found !== value && onChange(found)}
      onKeyDown={(event) => event.key === 'Enter' && !wrong && found !== value && onChange(found)}
      className={`rounded-[8px] border bg-card px-1.5 py-0.5 text-[13.5px] tabular-nums placeholder:text-soft ${wrong ? 'border-problem text-problem' : 'border-rule'} ${className}`}
    />
  )
}

import { useState } from 'react'
import { decimalMoney, homeCurrency, readMoney } from '@outfit/core/market'
import { FIELD } from '../ui/FormDialog.tsx'

/** An amount in the home currency that is kept when it is left; what is none is told. */
export function WorthField({ id, worth, onKeep }: { id: string; worth: number; onKeep: (worth: number) => void }) {
  const [text, setText] = useState(decimalMoney(worth, homeCurrency()))
  const [problem, setProblem] = useState<string | null>(null)
  const keep = () => {
    try {
      const amount = readMoney(text, homeCurrency())
      setProblem(null)
      if (amount !== worth) onKeep(amount)
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <>
      <span className="flex items-center gap-2">
        <input
          id={id}
          inputMode="decimal"
          value={text}
          aria-invalid={problem !== null}
          aria-describedby={problem === null ? undefined : `${id}-problem`}
          onChange={({ target }) => setText(target.value)}
          onBlur={keep}
          onKeyDown={({ key }) => key === 'Enter' && keep()}
          className={`${FIELD} max-w-[120px]`}
        />
        {homeCurrency()}
      </span>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="text-problem">
          {problem}
        </p>
      )}
    </>
  )
}

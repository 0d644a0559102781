import { useState } from 'react'
import { FULL_SIZE_LIMITS } from '@outfit/core/base'
import { FIELD } from '../ui/FormDialog.tsx'

const { least, most } = FULL_SIZE_LIMITS

/** A height in millimetres that is kept when it is left; what is none is told. A comma is as good as a point. */
export function FullSize({ id, mm, onKeep }: { id: string; mm: number; onKeep: (mm: number) => void }) {
  const [text, setText] = useState(String(mm))
  const [problem, setProblem] = useState<string | null>(null)
  const keep = () => {
    const height = Math.round(Number(text.trim().replace(',', '.')) * 10) / 10
    if (text.trim() === '' || !(height >= least && height <= most))
      return setProblem(`Say a height from ${least} to ${most} mm; it is ${mm} as before.`)
    setProblem(null)
    if (height !== mm) onKeep(height)
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
        mm tall
      </span>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="text-problem">
          {problem}
        </p>
      )}
    </>
  )
}

import { STATES, STATE_WORDS, type State } from '@outfit/core/shelf'

/** How far an outfit is: a tape of eight notches, filled up to where it is, with its name; one above the other where it is narrow. */
export function StateMark({ state, narrow = false }: { state: State; narrow?: boolean }) {
  const at = STATES.indexOf(state)
  const { label, because } = STATE_WORDS[state]
  const done = state === 'built' || state === 'shown'
  return (
    <span
      title={because}
      className={`flex items-center justify-center text-[13px] ${narrow ? 'flex-col leading-tight' : 'h-[18px] gap-1.5'}`}
    >
      <span aria-hidden className="flex gap-px">
        {STATES.map((one, i) => (
          <span key={one} className={`h-2 w-1 rounded-[1px] ${i <= at ? (done ? 'bg-good' : 'bg-act') : 'bg-rule'}`} />
        ))}
      </span>
      <span className="whitespace-nowrap">{label}</span>
    </span>
  )
}

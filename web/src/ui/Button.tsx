import type { ButtonHTMLAttributes, Ref } from 'react'

const LOOKS = {
  act: 'bg-act text-act-ink border-act hover:brightness-110',
  quiet: 'bg-card text-act border-act/70 hover:border-act hover:bg-band',
  plain: 'border-transparent text-act hover:bg-band',
} as const

/** A button; `act` is the one thing to do next, there is at most one to a view. */
export function Button({
  look = 'quiet',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS; ref?: Ref<HTMLButtonElement> }) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex items-center justify-center gap-2 rounded-[10px] border px-3 py-1.5 font-semibold transition-colors disabled:cursor-not-allowed disabled:opacity-50 ${LOOKS[look]} ${className}`}
    />
  )
}

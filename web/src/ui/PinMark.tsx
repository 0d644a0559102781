import type { Severity } from '@outfit/core/fitting'

const COLOURS: Record<Severity, string> = { problem: 'var(--problem)', notice: 'var(--notice)', hint: 'var(--act)' }

/** The head of a pin; severities differ in shape as well as in colour. */
export function PinMark({ severity, size = 12 }: { severity: Severity; size?: number }) {
  const fill = COLOURS[severity]
  return (
    <svg width={size} height={size} viewBox="0 0 12 12" role="img" aria-label={severity} className="shrink-0">
      {severity === 'problem' && <circle cx="6" cy="6" r="5" fill={fill} />}
      {severity === 'notice' && <path d="M6 .5 11.5 6 6 11.5.5 6Z" fill={fill} />}
      {severity === 'hint' && <path d="M6 1 11.5 11H.5Z" fill={fill} />}
    </svg>
  )
}

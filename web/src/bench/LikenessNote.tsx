import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import { inPoints, type Likeness } from '@outfit/core/brief'
import { Terms } from '../brief/Terms.tsx'

/** How like its brief what is worn is; pressing tells why. */
export function LikenessNote({ likeness, to }: { likeness: Likeness; to: string }) {
  if (likeness.terms.length === 0)
    return (
      <Link
        to={to}
        className="inline-flex items-center rounded-[8px] border border-rule bg-card px-2 py-1 text-[13px] font-semibold text-act hover:border-act"
      >
        Write a brief
      </Link>
    )
  const { missed } = likeness
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`inline-flex items-center gap-1 rounded-[8px] border bg-card px-2 py-1 text-[13px] font-semibold hover:border-act ${missed.length > 0 ? 'border-problem text-problem' : 'border-rule text-act'}`}
      >
        likeness <strong className="font-head text-[15px] leading-none">{inPoints(likeness.milli)}</strong>
        {missed.length > 0 && <span>· {missed.length === 1 ? 'a must' : `${missed.length} musts`} missed</span>}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={12}
          className="z-20 max-h-[70vh] w-[330px] overflow-y-auto rounded-[12px] border border-rule bg-card p-3 shadow-lg"
          aria-label="Why this likeness"
        >
          <Terms likeness={likeness} />
          <Link to={to} className="mt-2 inline-block font-semibold text-act hover:underline">
            To the brief
          </Link>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

import { Link } from 'react-router'
import { inPoints, type Likeness } from '@outfit/core/brief'
import { Terms } from '../brief/Terms.tsx'
import { Popout } from '../ui/Popout.tsx'

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
    <Popout
      label="Why this likeness"
      amiss={missed.length > 0}
      said={
        <>
          likeness <strong className="font-head text-[15px] leading-none">{inPoints(likeness.milli)}</strong>
          {missed.length > 0 && <span>· {missed.length === 1 ? 'a must' : `${missed.length} musts`} missed</span>}
        </>
      }
    >
      <Terms likeness={likeness} />
      <Link to={to} className="mt-2 inline-block font-semibold text-act hover:underline">
        To the brief
      </Link>
    </Popout>
  )
}

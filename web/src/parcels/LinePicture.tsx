import { Box } from 'lucide-react'
import type { Catalogue } from '@outfit/core/catalogue'
import type { ToldLine } from '@outfit/core/parcels'
import { PartPicture } from '../ui/PartPicture.tsx'

const FRAME = 'h-[40px] w-[40px] shrink-0 rounded-[8px] bg-card'

/** What a line is of: the drawn part, or a box for a figure or a release. */
export function LinePicture({ line, catalogue }: { line: ToldLine; catalogue: Catalogue }) {
  const part = line.kind === 'part' ? catalogue.parts.get(line.code) : undefined
  if (part && part.components.length === 0)
    return <PartPicture part={part} catalogue={catalogue} label="" className={FRAME} />
  return (
    <span className={`${FRAME} grid place-items-center text-soft`}>
      <Box aria-hidden className="size-5" />
    </span>
  )
}

import { Popover } from 'radix-ui'
import type { PictureLikeness } from '@outfit/core/picture'
import { ZoneList } from './ZoneList.tsx'

/** How like the picture what is worn is; pressing tells it zone by zone. */
export function AgainstNote({ likeness }: { likeness: PictureLikeness }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex items-center gap-1 rounded-[8px] border border-rule bg-card px-2 py-1 text-[13px] font-semibold text-act hover:border-act">
        picture <strong className="font-head text-[15px] leading-none">{likeness.points}</strong>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={12}
          className="z-20 max-h-[70vh] w-[290px] overflow-y-auto rounded-[12px] border border-rule bg-card p-3 shadow-lg"
          aria-label="Zone by zone"
        >
          <p className="pb-1 text-[13px] text-soft">Colours of the picture beside what is worn</p>
          <ZoneList likeness={likeness} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

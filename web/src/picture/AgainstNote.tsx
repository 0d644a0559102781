import type { PictureLikeness } from '@outfit/core/picture'
import { Popout } from '../ui/Popout.tsx'
import { ZoneList } from './ZoneList.tsx'

/** How like the picture what is worn is; pressing tells it zone by zone. */
export function AgainstNote({ likeness }: { likeness: PictureLikeness }) {
  return (
    <Popout
      label="Zone by zone"
      said={
        <>
          picture <strong className="font-head text-[15px] leading-none">{likeness.points}</strong>
        </>
      }
    >
      <p className="pb-1 text-[13px] text-soft">Colours of the picture beside what is worn</p>
      <ZoneList likeness={likeness} />
    </Popout>
  )
}

import { ImagePlus } from 'lucide-react'
import { useRef } from 'react'
import { PICTURE_TYPES, PICTURE_WORDS } from '../picture/pictureFiles.ts'

interface RowPictureProps {
  of: string
  photo: string | null
  onPicture: (file: File) => void
}

/** The reference picture of somebody, or the place for one. */
export function RowPicture({ of, photo, onPicture }: RowPictureProps) {
  const field = useRef<HTMLInputElement>(null)
  return (
    <>
      <button
        type="button"
        aria-label={photo ? `Another picture of ${of}` : `A picture of ${of}`}
        title={PICTURE_WORDS}
        onClick={() => field.current?.click()}
        className={`grid h-[84px] w-[60px] shrink-0 place-items-center overflow-hidden rounded-[8px] text-soft hover:border-act ${photo ? 'border border-rule' : 'border-2 border-dashed border-rule'}`}
      >
        {photo ? (
          <img src={`/api/photos/${photo}`} alt="" loading="lazy" className="h-full w-full object-cover" />
        ) : (
          <ImagePlus aria-hidden className="size-5" />
        )}
      </button>
      <input
        ref={field}
        type="file"
        accept={PICTURE_TYPES}
        aria-label={`Picture of ${of}`}
        className="sr-only"
        tabIndex={-1}
        onChange={({ target }) => {
          const [file] = target.files ?? []
          if (file) onPicture(file)
          target.value = ''
        }}
      />
    </>
  )
}

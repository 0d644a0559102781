import { ImagePlus, ScanLine, Trash2 } from 'lucide-react'
import { useRef, useState, type DragEvent } from 'react'
import { toast } from 'sonner'
import type { Pixels } from '@outfit/core/colour'
import type { OutfitDetail, Reference } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { usePastedFiles } from '../ui/usePastedFiles.ts'
import type { OutlineWork } from '../picture/useOutline.ts'
import { Picture } from './Picture.tsx'
import { useHangPictures } from './useHangPictures.ts'
import { PICTURE_TYPES, PICTURE_WORDS } from '../picture/pictureFiles.ts'

interface PicturesProps {
  outfit: OutfitDetail
  shown: Reference | undefined
  onShow: (reference: string) => void
  pixels: Pixels | null
  failed: boolean
  sample: string | null
  onSample: (hex: string) => void
  /** The doll laid over the picture, while it is read. */
  work: OutlineWork | null
  onRead: () => void
}

/** Reference pictures: brought in by file, drop or paste; their palette, and the colour under a pointer. */
export function Pictures({
  outfit,
  shown,
  onShow: setShown,
  pixels,
  failed,
  sample,
  onSample,
  work,
  onRead,
}: PicturesProps) {
  const { references } = outfit
  const [over, setOver] = useState(false)
  const { hang, left } = useHangPictures()
  const [addReference] = api.endpoints.addReference.useMutation()
  const [removeReference] = api.endpoints.removeReference.useMutation()
  const input = useRef<HTMLInputElement>(null)

  const take = async (files: readonly File[]) => {
    const hung = await hang(files.map((file) => ({ file, outfit: outfit.id })))
    const last = hung.at(-1)
    if (last) setShown(last.id)
  }
  /** Hang the picture beside every outfit of the character, or beside this one alone. */
  const share = async () => {
    if (!shown) return
    const { id, ...kept } = shown
    const added = await addReference({ outfit: outfit.id, ...kept, ownOutfit: !kept.ownOutfit })
    if (added.error) return void toast.error(errorText(added.error))
    setShown(added.data.id)
    const answer = await removeReference({ outfit: outfit.id, id })
    if (answer.error) toast.error(errorText(answer.error))
  }
  const takeAway = async () => {
    if (!shown) return
    const { id, ...kept } = shown
    const answer = await removeReference({ outfit: outfit.id, id })
    if (answer.error) return void toast.error(errorText(answer.error))
    toast('The picture is taken away.', {
      action: { label: 'Undo', onClick: () => void addReference({ outfit: outfit.id, ...kept }) },
    })
  }
  usePastedFiles((files) => void take(files))
  const onDrop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    void take([...event.dataTransfer.files])
  }
  return (
    <section
      aria-label="Reference pictures"
      onDrop={onDrop}
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      className={`flex h-full min-h-0 flex-col gap-2 border-r border-rule px-4 pt-3 pb-3 ${over ? 'bg-card outline-2 outline-act' : ''}`}
    >
      <div className="flex items-baseline gap-2">
        <h2 className="text-lg">Pictures</h2>
        <Button look="plain" className="ml-auto px-2 py-0.5 text-[13px]" onClick={() => input.current?.click()}>
          <ImagePlus aria-hidden className="size-4" /> Add
        </Button>
        {shown && (
          <Button
            look="plain"
            className="px-2 py-0.5 text-[13px]"
            aria-label={`Take away the picture ${shown.caption}`}
            onClick={() => void takeAway()}
          >
            <Trash2 aria-hidden className="size-4" />
          </Button>
        )}
        <input
          ref={input}
          type="file"
          multiple
          accept={PICTURE_TYPES}
          aria-label="Choose pictures"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            void take([...(event.target.files ?? [])])
            event.target.value = ''
          }}
        />
      </div>
      {references.length > 1 && (
        <ul aria-label="All pictures" className="flex shrink-0 gap-1.5 overflow-x-auto">
          {references.map(({ id, photo, caption }) => (
            <li key={id}>
              <button
                type="button"
                aria-current={id === shown?.id ? 'true' : undefined}
                aria-label={caption || 'Picture'}
                onClick={() => setShown(id)}
                className={`block rounded-[8px] border p-0.5 ${id === shown?.id ? 'border-act' : 'border-rule hover:border-act'}`}
              >
                <img src={`/api/photos/${photo}`} alt="" className="h-12 rounded-[6px]" />
              </button>
            </li>
          ))}
        </ul>
      )}
      {shown ? (
        <Picture
          key={shown.photo}
          photo={shown.photo}
          caption={shown.caption}
          pixels={pixels}
          failed={failed}
          sample={sample}
          onSample={onSample}
          work={work}
        />
      ) : (
        <button
          type="button"
          onClick={() => input.current?.click()}
          className="flex flex-1 flex-col items-center justify-center rounded-[12px] border-2 border-dashed border-rule text-center text-soft hover:border-act"
        >
          <ImagePlus aria-hidden className="mb-2 size-8" />
          <strong className="text-ink">Who is it?</strong>
          Drop a picture here, paste one,
          <br />
          or press to choose a file.
          <span className="mt-1 text-[13px]">{PICTURE_WORDS}</span>
        </button>
      )}
      {shown && pixels && !work && (
        <Button className="self-start px-2.5 py-1 text-[13.5px]" onClick={onRead}>
          <ScanLine aria-hidden className="size-4" />
          {shown.outline ? 'What the picture shows' : 'Read the picture'}
        </Button>
      )}
      {shown && (
        <button
          type="button"
          aria-pressed={!shown.ownOutfit}
          onClick={() => void share()}
          className={`self-start rounded-full border px-2.5 py-0.5 text-[13px] ${shown.ownOutfit ? 'border-rule bg-card hover:border-act' : 'border-act bg-act font-semibold text-act-ink'}`}
        >
          for every outfit of {outfit.character}
        </button>
      )}
      {left > 0 && (
        <p role="status" className="text-[13px] text-soft">
          Keeping the picture…
        </p>
      )}
    </section>
  )
}

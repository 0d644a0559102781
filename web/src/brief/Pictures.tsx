import { ImagePlus, Trash2 } from 'lucide-react'
import { useEffect, useRef, useState, type DragEvent } from 'react'
import { toast } from 'sonner'
import { sampleAt, type PictureColour, type Pixels } from '@outfit/core/colour'
import { megabytes, PHOTO_LIMIT, PHOTO_TOO_LARGE } from '@outfit/core/tables'
import type { OutfitDetail } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { paletteOf, pixelsOf } from './pixels.ts'

interface PicturesProps {
  outfit: OutfitDetail
  sample: string | null
  onSample: (hex: string) => void
}

/** Reference pictures: brought in by file, drop or paste; their palette, and the colour under a pointer. */
export function Pictures({ outfit, sample, onSample }: PicturesProps) {
  const { references } = outfit
  const [shownId, setShown] = useState<string | null>(null)
  const shown = references.find(({ id }) => id === shownId) ?? references[0]
  const [over, setOver] = useState(false)
  const [addPhoto, sending] = api.endpoints.addPhoto.useMutation()
  const [addReference] = api.endpoints.addReference.useMutation()
  const [removeReference] = api.endpoints.removeReference.useMutation()
  const input = useRef<HTMLInputElement>(null)

  const take = async (files: readonly File[]) => {
    for (const file of files) {
      if (file.size > PHOTO_LIMIT) {
        toast.error(`${file.name}: ${PHOTO_TOO_LARGE}`)
        continue
      }
      const photo = await addPhoto(file)
      if (photo.error) {
        toast.error(`${file.name}: ${errorText(photo.error)}`)
        continue
      }
      const caption = file.name.replace(/\.\w+$/, '').slice(0, 200)
      const added = await addReference({ outfit: outfit.id, photo: photo.data.hash, caption, ownOutfit: true })
      if (added.error) toast.error(errorText(added.error))
      else setShown(added.data.id)
    }
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
  // Whoever pastes has seldom pressed anything here before; what is pasted into a field stays there.
  const takeRef = useRef(take)
  useEffect(() => void (takeRef.current = take))
  useEffect(() => {
    const onPaste = ({ clipboardData, target }: ClipboardEvent) => {
      const files = [...(clipboardData?.files ?? [])]
      const typing = target instanceof Element && target.closest('input, textarea')
      if (files.length > 0 && !typing) void takeRef.current(files)
    }
    window.addEventListener('paste', onPaste)
    return () => window.removeEventListener('paste', onPaste)
  }, [])
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
          accept="image/png,image/jpeg,image/webp"
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
        <ul aria-label="All pictures" className="flex gap-1.5 overflow-x-auto">
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
        <Picture key={shown.photo} photo={shown.photo} caption={shown.caption} sample={sample} onSample={onSample} />
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
          <span className="mt-1 text-[13px]">PNG, JPEG or WebP, up to {megabytes(PHOTO_LIMIT)}</span>
        </button>
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
      {sending.isLoading && (
        <p role="status" className="text-[13px] text-soft">
          Keeping the picture…
        </p>
      )}
    </section>
  )
}

/** Keyboard steps of the pointer over a picture, in its pixels. */
const STEP = 6

function Picture({
  photo,
  caption,
  sample,
  onSample,
}: { photo: string; caption: string } & Omit<PicturesProps, 'outfit'>) {
  const image = useRef<HTMLImageElement>(null)
  const [pixels, setPixels] = useState<Pixels | null>(null)
  const [palette, setPalette] = useState<PictureColour[] | null>(null)
  const [failed, setFailed] = useState(false)
  /** Where the pointer is, in shares of the picture. */
  const [at, setAt] = useState<{ x: number; y: number } | null>(null)
  useEffect(() => {
    if (!pixels) return
    const work = paletteOf(pixels)
    let left = false
    work.colours.then(
      (found) => !left && setPalette(found),
      () => !left && setFailed(true),
    )
    return () => {
      left = true
      work.stop()
    }
  }, [pixels])
  const under =
    pixels && at ? sampleAt(pixels, Math.round(at.x * pixels.width), Math.round(at.y * pixels.height)) : null
  return (
    <>
      <button
        type="button"
        aria-label={`${caption || 'Picture'}: point at a colour; arrows move the pointer, Enter takes it`}
        className="relative flex min-h-0 shrink cursor-crosshair items-start justify-center overflow-hidden rounded-[10px] focus-visible:outline-2 focus-visible:outline-act"
        onMouseMove={({ clientX, clientY }) => {
          const box = image.current!.getBoundingClientRect()
          const [x, y] = [(clientX - box.left) / box.width, (clientY - box.top) / box.height]
          setAt(x >= 0 && y >= 0 && x <= 1 && y <= 1 ? { x, y } : null)
        }}
        onMouseLeave={() => setAt(null)}
        onFocus={() => setAt((now) => now ?? { x: 0.5, y: 0.2 })}
        onKeyDown={(event) => {
          const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
          if (!by || !pixels) return
          event.preventDefault()
          const move = (now: number, step: number, size: number) => Math.min(1, Math.max(0, now + (step * STEP) / size))
          setAt((now) => ({
            x: move(now?.x ?? 0.5, by[0]!, pixels.width),
            y: move(now?.y ?? 0.5, by[1]!, pixels.height),
          }))
        }}
        onClick={() => under && onSample(under)}
      >
        <span className="relative block max-h-full">
          <img
            ref={image}
            src={`/api/photos/${photo}`}
            alt=""
            onLoad={({ currentTarget }) => setPixels(pixelsOf(currentTarget))}
            onError={() => setFailed(true)}
            className="max-h-[480px] rounded-[10px] border border-rule"
          />
          {at && under && (
            <span
              aria-hidden
              className="pointer-events-none absolute size-9 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-card shadow-[0_0_0_1.5px_var(--ink)]"
              style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%`, background: under }}
            />
          )}
        </span>
      </button>
      <p className="flex gap-2 text-[13px] text-soft">
        <span className="truncate">{caption}</span>
        {!sample && <span className="ml-auto shrink-0">point at a colour to pick it up</span>}
      </p>
      {failed ? (
        <p role="alert" className="text-[13px] text-problem">
          The picture cannot be shown. Take it away and bring it in again.
        </p>
      ) : (
        <Palette palette={palette} sample={sample} onSample={onSample} />
      )}
    </>
  )
}

/** The main colours of the picture as wide as the area they fill. */
function Palette({
  palette,
  sample,
  onSample,
}: {
  palette: PictureColour[] | null
  sample: string | null
  onSample: (hex: string) => void
}) {
  if (!palette)
    return (
      <p role="status" className="text-[13px] text-soft">
        Finding its colours…
      </p>
    )
  return (
    <ul aria-label="Colours of the picture" className="flex h-11 gap-1">
      {palette.map(({ hex, share }) => (
        <li key={hex} className="min-w-[26px]" style={{ flexGrow: share }}>
          <button
            type="button"
            aria-label={`${hex}, ${Math.round(share * 100)} % of the picture`}
            aria-pressed={hex === sample}
            title={`${hex} · ${Math.round(share * 100)} %`}
            onClick={() => onSample(hex)}
            className={`block h-6 w-full rounded-[5px] border ${hex === sample ? 'border-act ring-2 ring-act' : 'border-ink/50'}`}
            style={{ background: hex }}
          />
          <span className="block text-center text-[12px] text-soft">{Math.round(share * 100)}</span>
        </li>
      ))}
    </ul>
  )
}

import { useEffect, useRef, useState } from 'react'
import { sampleAt, type PictureColour, type Pixels } from '@outfit/core/colour'
import { WHOLE_PICTURE } from '@outfit/core/picture'
import { askPicture } from '../picture/askPicture.ts'
import { Overlay } from '../picture/Overlay.tsx'
import { OutlineTools } from '../picture/OutlineTools.tsx'
import type { OutlineWork } from '../picture/useOutline.ts'

/** Keyboard steps of the pointer over a picture, in its pixels. */
const STEP = 6

interface PictureProps {
  photo: string
  caption: string
  pixels: Pixels | null
  failed: boolean
  sample: string | null
  onSample: (hex: string) => void
  work: OutlineWork | null
}

/** A reference picture: the colour under a pointer, its palette; while it is read, the doll laid over it. */
export function Picture({ photo, caption, pixels, failed, sample, onSample, work }: PictureProps) {
  const image = useRef<HTMLImageElement>(null)
  const [palette, setPalette] = useState<PictureColour[] | null>(null)
  const [unread, setUnread] = useState(false)
  /** Where the pointer is, in shares of the picture. */
  const [at, setAt] = useState<{ x: number; y: number } | null>(null)
  useEffect(() => {
    if (!pixels) return
    let left = false
    askPicture('palette', pixels).then(
      (found) => left || setPalette(found),
      () => left || setUnread(true),
    )
    return () => {
      left = true
    }
  }, [pixels])
  const under =
    pixels && at ? sampleAt(pixels, Math.round(at.x * pixels.width), Math.round(at.y * pixels.height)) : null
  if (work && pixels) return <Outlined photo={photo} caption={caption} pixels={pixels} work={work} />
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
      {failed || unread ? (
        <p role="alert" className="text-[13px] text-problem">
          The picture cannot be shown. Take it away and bring it in again.
        </p>
      ) : (
        <Palette palette={palette} sample={sample} onSample={onSample} />
      )}
    </>
  )
}

/** Most of the window's height a picture takes, in pixels. */
const HIGHEST = 430

/** The part of a picture the character is in, with the doll laid over it; all of it while that is being found. */
function Outlined({
  photo,
  caption,
  pixels,
  work,
}: {
  photo: string
  caption: string
  pixels: Pixels
  work: OutlineWork
}) {
  const aspect = pixels.width / pixels.height
  const view = work.now.step === 'laid' && work.outline ? work.outline.box : WHOLE_PICTURE
  return (
    <>
      <div
        className="relative mx-auto max-w-full shrink-0 overflow-hidden rounded-[10px] border border-rule"
        style={{
          aspectRatio: (aspect * view.width) / view.height,
          width: `min(100%, ${HIGHEST * aspect * (view.width / view.height)}px)`,
        }}
      >
        <img
          src={`/api/photos/${photo}`}
          alt={caption || 'Picture'}
          className="absolute max-w-none"
          style={{
            width: `${100 / view.width}%`,
            left: `${(-100 * view.x) / view.width}%`,
            top: `${(-100 * view.y) / view.height}%`,
          }}
        />
        <Overlay work={work} aspect={aspect} view={view} />
      </div>
      <OutlineTools work={work} />
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
    <ul aria-label="Colours of the picture" className="flex h-11 gap-1 phone:mb-4 phone:h-16">
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

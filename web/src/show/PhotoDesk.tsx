import { useMemo, useRef, type PointerEvent } from 'react'
import { drawFigure } from '@outfit/core/mannequin'
import { partWorn, type Catalogue, type Slot } from '@outfit/core/catalogue'
import type { Take } from '@outfit/core/roster'
import {
  cornerOf,
  cropCornered,
  cropMoved,
  photoPoints,
  pointMoved,
  turnedFrame,
  turnedPoint,
  withinFrame,
  type CardChoices,
  type CardPhoto,
} from '@outfit/core/show'
import { followed, nudgeOf } from '../picture/handles.ts'

interface PhotoDeskProps {
  photo: CardPhoto
  take: Take
  catalogue: Catalogue
  view: CardChoices['view']
  onChange: (photo: CardPhoto) => void
}

/** How far an arrow key moves a point or a corner, in heights of the photo. */
const NUDGE = 0.003

const CORNERS = [
  { name: 'Top left corner', x: 0, y: 0, cursor: 'cursor-nwse-resize' },
  { name: 'Top right corner', x: 1, y: 0, cursor: 'cursor-nesw-resize' },
  { name: 'Bottom right corner', x: 1, y: 1, cursor: 'cursor-nwse-resize' },
  { name: 'Bottom left corner', x: 0, y: 1, cursor: 'cursor-nesw-resize' },
] as const

const percent = (share: number) => `${share * 100}%`

/** The photo on the desk: what of it is cut out, and the points lead lines go to, all to be dragged or moved by arrow keys. */
export function PhotoDesk({ photo, take, catalogue, view, onChange }: PhotoDeskProps) {
  const desk = useRef<HTMLDivElement>(null)
  const drawing = useMemo(() => drawFigure(take.placements, catalogue, { view }), [take.placements, catalogue, view])
  const frame = turnedFrame(photo)
  const crop = withinFrame(photo, photo.crop)
  const inFrame = ({ x, y }: { x: number; y: number }) => ({
    left: percent((x - frame.x) / frame.width),
    top: percent((y - frame.y) / frame.height),
  })
  /** Where a pointer is, in heights of the photo from its middle. */
  const at = ({ clientX, clientY }: { clientX: number; clientY: number }) => {
    const box = desk.current!.getBoundingClientRect()
    return {
      x: frame.x + ((clientX - box.left) / box.width) * frame.width,
      y: frame.y + ((clientY - box.top) / box.height) * frame.height,
    }
  }
  const cut = (crop: CardPhoto['crop']) => onChange({ ...photo, crop })
  const dragCut = (event: PointerEvent<HTMLElement>) => {
    const from = at(event)
    followed(event, {
      onMove: (move) => {
        const to = at(move)
        cut(cropMoved(photo, { x: to.x - from.x, y: to.y - from.y }))
      },
    })
  }
  const movePoint = (slot: Slot, to: { x: number; y: number }) => onChange(pointMoved(photo, slot, to))
  const nameOf = (slot: Slot) => {
    const placement = take.placements.find((one) => one.slot === slot)
    return (placement && partWorn(placement, catalogue)?.name) ?? slot
  }
  const points = photoPoints(photo, drawing)
  return (
    <div
      ref={desk}
      role="group"
      aria-label="The photo: its cut, and where lines lead"
      className="relative max-h-full"
      style={{
        aspectRatio: frame.width / frame.height,
        width: `min(100%, calc(62vh * ${frame.width / frame.height}))`,
      }}
    >
      {/* Handles at its very edge are seen whole. */}
      <div className="absolute inset-0 overflow-hidden rounded-[8px] border border-rule bg-band">
        <img
          src={`/api/photos/${photo.hash}`}
          alt=""
          draggable={false}
          className="absolute top-1/2 left-1/2 max-w-none select-none"
          style={{
            width: percent(photo.width / photo.height / frame.width),
            transform: `translate(-50%, -50%) rotate(${photo.turn}deg)`,
          }}
        />
        <div
          aria-hidden
          onPointerDown={dragCut}
          className="absolute cursor-move touch-none outline-2 outline-[#FFFBF2] shadow-[0_0_0_4000px_rgb(42_39_48/0.5)]"
          style={{
            ...inFrame(crop),
            width: percent(crop.width / frame.width),
            height: percent(crop.height / frame.height),
          }}
        />
      </div>
      {CORNERS.map(({ name, x, y, cursor }) => {
        const corner = cornerOf(photo, { x, y })
        return (
          <button
            key={name}
            type="button"
            aria-label={`${name} of the cut: arrows move it`}
            title={`${name} of the cut`}
            onKeyDown={(event) => {
              const by = nudgeOf(event)
              if (by) cut(cropCornered(photo, { x, y }, { x: corner.x + by.x * NUDGE, y: corner.y + by.y * NUDGE }))
            }}
            onPointerDown={(event) =>
              followed(event, { onMove: (move) => cut(cropCornered(photo, { x, y }, at(move))) })
            }
            className={`absolute grid size-6 -translate-1/2 touch-none place-items-center ${cursor}`}
            style={inFrame(corner)}
          >
            <span className="block size-3.5 border-2 border-[#2A2730] bg-[#FFFBF2]" />
          </button>
        )
      })}
      {points.map(({ slot, at: point, moved }) => {
        const there = turnedPoint(photo, point)
        return (
          <button
            key={slot}
            type="button"
            aria-label={`${nameOf(slot)}${moved ? '' : ', as on the doll'}: arrows move it`}
            title={`${nameOf(slot)}${moved ? '' : ', where the doll has it: drag it where it belongs'}`}
            onKeyDown={(event) => {
              const by = nudgeOf(event)
              if (by) movePoint(slot, { x: there.x + by.x * NUDGE, y: there.y + by.y * NUDGE })
            }}
            onPointerDown={(event) => followed(event, { onMove: (move) => movePoint(slot, at(move)) })}
            className="group absolute grid size-6 -translate-1/2 cursor-move touch-none place-items-center"
            style={inFrame(there)}
          >
            <span
              className={`block size-3 rounded-full border-2 border-[#2A2730] group-hover:scale-125 ${moved ? 'bg-[#FFFBF2]' : 'bg-notice'}`}
            />
          </button>
        )
      })}
    </div>
  )
}

import { Crosshair, ImagePlus, Maximize, RotateCw, Scan, Trash2, type LucideIcon } from 'lucide-react'
import { useId, useRef } from 'react'
import { useParams } from 'react-router'
import type { Take } from '@outfit/core/roster'
import {
  cropRound,
  quarterTurned,
  slantOf,
  turnedFrame,
  turnedTo,
  type CardChoices,
  type CardPhoto,
} from '@outfit/core/show'
import { showApi } from '../data/showApi.ts'
import { useOutfit } from '../data/useOutfit.ts'
import { PICTURE_TYPES } from '../picture/pictureFiles.ts'
import { Button } from '../ui/Button.tsx'
import { useSettled } from '../ui/useSettled.ts'
import { PhotoDesk } from './PhotoDesk.tsx'
import type { CardPhotoWork } from './useCardPhoto.ts'

interface PhotoArrangementProps {
  photo: CardPhoto
  take: Take
  view: CardChoices['view']
  work: CardPhotoWork
  onChange: (photo: CardPhoto) => void
  onTakeAway: () => void
}

/** Most degrees the slider turns; a quarter turn is a press of its own. */
const MOST_TURN = 15

/** How a photo stands on the card: turned, cut, evenly lit, with its points. */
export function PhotoArrangement({ photo, take, view, work, onChange, onTakeAway }: PhotoArrangementProps) {
  const loaded = useOutfit()
  const input = useRef<HTMLInputElement>(null)
  const dark = useDarkness(photo)
  const slant = slantOf(photo)
  return (
    <section aria-label="The photo" className="flex shrink-0 flex-col gap-2 md:w-[330px]">
      {loaded.state === 'ready' ? (
        <PhotoDesk photo={photo} take={take} catalogue={loaded.catalogue} view={view} onChange={onChange} />
      ) : (
        <p className="text-soft">Laying the photo out…</p>
      )}
      <p className="text-[13px] text-soft">
        Drag the corners to cut, the points to where lines shall lead. Arrow keys move them, too.
      </p>
      <Slider
        label="Straighten"
        words={`${slant > 0 ? '+' : ''}${slant.toFixed(1)}°`}
        value={slant}
        least={-MOST_TURN}
        most={MOST_TURN}
        step={0.5}
        onChange={(by) => onChange(turnedTo(photo, photo.turn - slant + by))}
      />
      <Slider
        label="Even out the light"
        words={`${Math.round(photo.even * 100)} %`}
        value={photo.even * 100}
        least={0}
        most={100}
        step={5}
        onChange={(by) => onChange({ ...photo, even: by / 100 })}
      />
      {dark && (
        <p role="status" className="text-[13px] text-soft">
          {dark}
        </p>
      )}
      <div className="-mx-2 grid grid-cols-2">
        <Act icon={RotateCw} onPress={() => onChange(quarterTurned(photo))}>
          Quarter turn
        </Act>
        <Act icon={Maximize} onPress={() => onChange({ ...photo, crop: turnedFrame(photo) })}>
          The whole photo
        </Act>
        {photo.figure && (
          <Act icon={Scan} onPress={() => onChange({ ...photo, crop: cropRound(photo, photo.figure!) })}>
            Close round it
          </Act>
        )}
        <Act
          icon={Crosshair}
          hint="Lays the doll’s points into what is cut out, whatever was found or moved before"
          onPress={() => onChange({ ...photo, figure: null, points: [] })}
        >
          Points into the cut
        </Act>
        <Act icon={ImagePlus} onPress={() => input.current?.click()}>
          Another photo
        </Act>
        <Act icon={Trash2} onPress={onTakeAway}>
          Take it away
        </Act>
        <input
          ref={input}
          type="file"
          accept={PICTURE_TYPES}
          aria-label="Choose another photo"
          className="sr-only"
          tabIndex={-1}
          onChange={({ target }) => {
            work.take(target.files?.[0])
            target.value = ''
          }}
        />
      </div>
      {(work.busy || work.note) && (
        <p role="status" className="text-[13.5px]">
          {work.busy || work.note}
        </p>
      )}
    </section>
  )
}

/** Why the light of a photo is not evened out though that is asked for; empty where it is. */
function useDarkness(photo: CardPhoto): string {
  const { outfit = '' } = useParams()
  // Points and how far it is evened out say nothing of the light.
  const text = useSettled(JSON.stringify({ ...photo, even: 0, points: [] }))
  const { currentData } = showApi.endpoints.cardLight.useQuery(
    { id: outfit, photo: JSON.parse(text) as CardPhoto },
    { skip: photo.even === 0 },
  )
  return photo.even > 0 && currentData?.told === false
    ? 'The light cannot be told here: it needs one figure before a plain ground, and some of that round it.'
    : ''
}

function Act({
  icon: Icon,
  hint,
  onPress,
  children,
}: {
  icon: LucideIcon
  hint?: string
  onPress: () => void
  children: string
}) {
  return (
    <Button look="plain" title={hint} className="justify-start px-2 py-1 text-[13.5px]" onClick={onPress}>
      <Icon aria-hidden className="size-4" /> {children}
    </Button>
  )
}

function Slider({
  label,
  words,
  value,
  least,
  most,
  step,
  onChange,
}: {
  label: string
  words: string
  value: number
  least: number
  most: number
  step: number
  onChange: (value: number) => void
}) {
  const id = useId()
  return (
    <div className="grid grid-cols-[130px_1fr_52px] items-center gap-2 text-[13.5px]">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        type="range"
        min={least}
        max={most}
        step={step}
        value={value}
        aria-valuetext={words}
        onChange={({ target }) => onChange(Number(target.value))}
        className="w-full accent-act"
      />
      <output htmlFor={id} className="text-right tabular-nums">
        {words}
      </output>
    </div>
  )
}

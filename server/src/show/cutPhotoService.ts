import { Injectable } from '@nestjs/common'
import sharp, { type OutputInfo, type Sharp } from 'sharp'
import type { Pixels } from '@outfit/core/colour'
import { evenLight, groundLight, type GroundLight } from '@outfit/core/picture'
import { PAPER, turnedFrame, withinFrame, type CardPhoto } from '@outfit/core/show'
import { PhotoService } from '../catalogue/photoService.ts'

/** Longest side of a cut in pixels: 300 dots an inch of the largest card. */
const LARGEST = 1400
/** The same while a photo is arranged: enough for a card on a screen, and drawn in a tenth of the time. */
const DRAFT = 640
/** Photos are opened as high as so many pixels times a whole number. */
const STEP = 200
/** Longest side of the picture the light is read off. */
const SMALL = 200
/** How many are kept: whoever moves points asks for the same cut, whoever evens the light for the same pixels, some megabytes each. */
const KEPT = { cuts: 12, pixels: 3 } as const

type Place = Pick<CardPhoto, 'hash' | 'width' | 'height' | 'turn' | 'crop'>
/** Pixels as they came out of a file, four bytes each. */
interface Raw {
  data: Buffer
  info: OutputInfo
}

/** Photos turned, cut and evenly lit for cards. */
@Injectable()
export class CutPhotoService {
  private readonly opened = new Kept<Raw>(KEPT.pixels)
  private readonly placed = new Kept<Raw>(KEPT.pixels)
  private readonly lights = new Kept<GroundLight | null>(KEPT.cuts)
  private readonly cuts = new Kept<string>(KEPT.cuts)

  constructor(private readonly photos: PhotoService) {}

  /** The cut as a JPEG in a data address; a draft has fewer pixels. */
  cut({ hash, width, height, turn, crop, even }: CardPhoto, draft = false): Promise<string> {
    const place = { hash, width, height, turn, crop }
    const longest = draft ? DRAFT : LARGEST
    return this.cuts.get(JSON.stringify([place, even, longest]), async () => {
      const key = JSON.stringify([place, longest])
      const raw = await this.placed.get(key, () => this.place(place, longest))
      const light = even > 0 ? await this.lightOf(place) : null
      const { data, width: across, height: down } = evenLight(pixelsOf(raw), light, even)
      const jpeg = await sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
        raw: { width: across, height: down, channels: 4 },
      })
        .flatten({ background: PAPER.ground })
        .jpeg({ quality: 90 })
        .toBuffer()
      return `data:image/jpeg;base64,${jpeg.toString('base64')}`
    })
  }

  /** What light lies on a cut; null where its ground does not tell. It is smooth, and a small picture shows it as well. */
  lightOf({ hash, width, height, turn, crop }: Place): Promise<GroundLight | null> {
    const place = { hash, width, height, turn, crop }
    return this.lights.get(JSON.stringify(place), async () => groundLight(pixelsOf(await this.place(place, SMALL))))
  }

  /** The pixels of the cut as they were taken; what the turned photo does not cover is see-through. */
  private async place(photo: Place, longest: number): Promise<Raw> {
    const [frame, crop] = [turnedFrame(photo), withinFrame(photo, photo.crop)]
    // As many pixels as leave enough in what is cut out of them, in steps, so that what was opened serves the next cut too.
    const wanted = longest / Math.max(crop.width, crop.height)
    const high = Math.min(photo.height, Math.ceil(wanted / STEP) * STEP)
    const opened = await this.opened.get(`${photo.hash} ${high}`, async () =>
      raw(
        sharp(await this.photos.fileOf(photo.hash))
          .resize({ height: high })
          .ensureAlpha(),
      ),
    )
    const turned = await raw(again(opened).rotate(photo.turn, { background: '#00000000' }))
    const { width, height } = turned.info
    /** What of the turned photo's pixels a stretch of its frame is. */
    const pixels = (from: number, size: number, room: number, of: number) => {
      const left = Math.min(of - 1, Math.round((from / room) * of))
      return [left, Math.max(1, Math.min(of - left, Math.round((size / room) * of)))] as const
    }
    const [left, across] = pixels(crop.x - frame.x, crop.width, frame.width, width)
    const [top, down] = pixels(crop.y - frame.y, crop.height, frame.height, height)
    const cut = await raw(again(turned).extract({ left, top, width: across, height: down }))
    return raw(again(cut).resize({ height: longest, width: longest, fit: 'inside', withoutEnlargement: true }))
  }
}

const raw = (picture: Sharp): Promise<Raw> => picture.raw().toBuffer({ resolveWithObject: true })
const again = ({ data, info: { width, height, channels } }: Raw) => sharp(data, { raw: { width, height, channels } })
const pixelsOf = ({ data, info: { width, height } }: Raw): Pixels => ({
  data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
  width,
  height,
})
/** The last few answers to what is asked again and again; who asks for one that is under way waits for it. */
class Kept<T> {
  private readonly known = new Map<string, Promise<T>>()

  constructor(private readonly most: number) {}

  get(key: string, make: () => Promise<T>): Promise<T> {
    const known = this.known.get(key)
    if (known) return known
    const made = make()
    this.known.set(key, made)
    made.catch(() => this.known.delete(key))
    if (this.known.size > this.most) this.known.delete([...this.known.keys()][0]!)
    return made
  }
}

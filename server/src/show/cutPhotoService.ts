import { Injectable } from '@nestjs/common'
import sharp from 'sharp'
import type { Pixels } from '@outfit/core/colour'
import { evenLight, groundLight, type GroundLight } from '@outfit/core/picture'
import { PAPER, turnedFrame, withinFrame, type CardPhoto } from '@outfit/core/show'
import { PhotoService } from '../catalogue/photoService.ts'

/** Longest side of a cut in pixels: 300 dots an inch of the largest card. */
const LARGEST = 1400
/** How many are kept: whoever moves points asks for the same cut, whoever evens the light for the same pixels, some megabytes each. */
const KEPT = { cuts: 12, placed: 3 } as const

type Place = Pick<CardPhoto, 'hash' | 'width' | 'height' | 'turn' | 'crop'>

/** Photos turned, cut and evenly lit for cards. */
@Injectable()
export class CutPhotoService {
  private readonly placed = new Kept<{ pixels: Pixels; light: GroundLight | null }>(KEPT.placed)
  private readonly cuts = new Kept<string>(KEPT.cuts)

  constructor(private readonly photos: PhotoService) {}

  /** The cut as a JPEG in a data address. */
  cut({ hash, width, height, turn, crop, even }: CardPhoto): Promise<string> {
    const place = { hash, width, height, turn, crop }
    return this.cuts.get(JSON.stringify([place, even]), async () => {
      const { pixels, light } = await this.placed.get(JSON.stringify(place), () => this.place(place))
      const lit = evenLight(pixels, light, even)
      const jpeg = await sharp(Buffer.from(lit.data.buffer, lit.data.byteOffset, lit.data.byteLength), {
        raw: { width: lit.width, height: lit.height, channels: 4 },
      })
        .flatten({ background: PAPER.ground })
        .jpeg({ quality: 90 })
        .toBuffer()
      return `data:image/jpeg;base64,${jpeg.toString('base64')}`
    })
  }

  /** The pixels of the cut as they were taken, and what light lies on them. */
  private async place(photo: Place): Promise<{ pixels: Pixels; light: GroundLight | null }> {
    const file = await this.photos.fileOf(photo.hash)
    const turned = await sharp(file)
      .rotate(photo.turn, { background: '#00000000' })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    const [frame, crop] = [turnedFrame(photo), withinFrame(photo, photo.crop)]
    const { width, height, channels } = turned.info
    /** What of the turned photo's pixels a stretch of its frame is. */
    const pixels = (from: number, size: number, room: number, of: number) => {
      const left = Math.min(of - 1, Math.round((from / room) * of))
      return [left, Math.max(1, Math.min(of - left, Math.round((size / room) * of)))] as const
    }
    const [left, across] = pixels(crop.x - frame.x, crop.width, frame.width, width)
    const [top, down] = pixels(crop.y - frame.y, crop.height, frame.height, height)
    const { data, info } = await sharp(turned.data, { raw: { width, height, channels } })
      .extract({ left, top, width: across, height: down })
      .resize({ height: LARGEST, width: LARGEST, fit: 'inside', withoutEnlargement: true })
      .raw()
      .toBuffer({ resolveWithObject: true })
    const cut: Pixels = {
      data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
      width: info.width,
      height: info.height,
    }
    return { pixels: cut, light: groundLight(cut) }
  }
}

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

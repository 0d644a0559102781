import { Share } from './fields.ts'

/** A point of a picture, in shares of its width and height. */
export class PointDto {
  @Share() x: number
  @Share() y: number
}

/** A box of a picture, in shares of its width and height. */
export class BoxDto extends PointDto {
  @Share(0.01) width: number
  @Share(0.01) height: number
}

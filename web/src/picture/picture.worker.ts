import { imagePalette, type Pixels } from '@outfit/core/colour'
import { figuresInBoxes, findFigures, readPicture, zonesOfDrawing } from '@outfit/core/picture'

/** What can be asked of a picture, or of a drawn figure beside one. */
export const ANSWERS = {
  palette: (pixels: Pixels) => imagePalette(pixels),
  figures: (pixels: Pixels) => findFigures(pixels),
  boxes: figuresInBoxes,
  read: readPicture,
  zones: zonesOfDrawing,
}
export type Answers = typeof ANSWERS

self.onmessage = ({ data: { id, ask, of } }: MessageEvent<{ id: number; ask: keyof Answers; of: unknown[] }>) => {
  try {
    self.postMessage({ id, answer: (ANSWERS[ask] as (...of: unknown[]) => unknown)(...of) })
  } catch (error) {
    self.postMessage({ id, error: (error as Error).message })
  }
}

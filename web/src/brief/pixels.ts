import type { Pixels, PictureColour } from '@outfit/core/colour'

/** Longest side looked at; enough for a colour under a pointer, little enough to hand about. */
const LONGEST = 900

/** The pixels of a picture that has loaded. */
export function pixelsOf(image: HTMLImageElement): Pixels {
  const scale = Math.min(1, LONGEST / Math.max(image.naturalWidth, image.naturalHeight, 1))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.naturalWidth * scale))
  canvas.height = Math.max(1, Math.round(image.naturalHeight * scale))
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(image, 0, 0, canvas.width, canvas.height)
  return context.getImageData(0, 0, canvas.width, canvas.height)
}

/** The main colours of a picture, found in a worker. */
export function paletteOf({ data, width, height }: Pixels): { colours: Promise<PictureColour[]>; stop: () => void } {
  const worker = new Worker(new URL('./palette.worker.ts', import.meta.url), { type: 'module' })
  const colours = new Promise<PictureColour[]>((resolve, reject) => {
    worker.onmessage = ({ data: found }: MessageEvent<PictureColour[]>) => resolve(found)
    worker.onerror = ({ message }) => reject(new Error(message))
  }).finally(() => worker.terminate())
  const copy = new Uint8ClampedArray(data)
  worker.postMessage({ data: copy, width, height }, [copy.buffer])
  return { colours, stop: () => worker.terminate() }
}

import type { Pixels } from '@outfit/core/colour'

/** Longest side looked at; enough for a colour under a pointer, little enough to hand about. */
const LONGEST = 900
/** Pictures whose pixels are kept; a desk shows one or two. */
const KEPT = 4

const known = new Map<string, Promise<Pixels>>()

/** The pixels of a kept photo, by its hash. Rejects where it cannot be shown. */
export function pixelsOf(photo: string): Promise<Pixels> {
  const found = known.get(photo)
  if (found) return found
  const pixels = load(`/api/photos/${photo}`)
  known.set(photo, pixels)
  // What failed is tried again when it is asked for again.
  pixels.catch(() => known.delete(photo))
  if (known.size > KEPT) known.delete([...known.keys()][0]!)
  return pixels
}

async function load(address: string): Promise<Pixels> {
  const image = new Image()
  image.src = address
  await image.decode()
  const scale = Math.min(1, LONGEST / Math.max(image.naturalWidth, image.naturalHeight, 1))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.naturalWidth * scale))
  canvas.height = Math.max(1, Math.round(image.naturalHeight * scale))
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(image, 0, 0, canvas.width, canvas.height)
  return context.getImageData(0, 0, canvas.width, canvas.height)
}

import { useEffect, useState } from 'react'
import type { Pixels } from '@outfit/core/colour'
import type { PictureOutline, PictureReading } from '@outfit/core/picture'
import { askPicture } from './askPicture.ts'
import { pixelsOf } from './pixels.ts'

interface Loaded {
  pixels: Pixels | null
  failed: boolean
}

/** The pixels of a kept photo; null until they are there, or where there is no photo. */
export function usePixels(photo: string | null): Loaded {
  const [loaded, setLoaded] = useState<Loaded & { photo: string | null }>({ photo: null, pixels: null, failed: false })
  useEffect(() => {
    if (photo === null) return
    let left = false
    pixelsOf(photo).then(
      (pixels) => left || setLoaded({ photo, pixels, failed: false }),
      () => left || setLoaded({ photo, pixels: null, failed: true }),
    )
    return () => {
      left = true
    }
  }, [photo])
  return loaded.photo === photo ? loaded : { pixels: null, failed: false }
}

/**
 * What a picture shows of the figure an outline lies on; the last that was read while points move, null before the first. Points
 * that move while one reading is under way are read once, where they are when it ends.
 */
export function useReading(pixels: Pixels | null, outline: PictureOutline | null): PictureReading | null {
  const [reading, setReading] = useState<{ of: Pixels; outline: PictureOutline; found: PictureReading | null } | null>(
    null,
  )
  const [busy, setBusy] = useState(false)
  const isOld = pixels !== null && outline !== null && (reading?.of !== pixels || reading.outline !== outline)
  useEffect(() => {
    if (!isOld || busy) return
    setBusy(true)
    askPicture('read', pixels, { box: outline.box, outline: outline.points })
      .then(
        (found) => setReading({ of: pixels, outline, found }),
        () => setReading({ of: pixels, outline, found: null }),
      )
      .finally(() => setBusy(false))
  }, [isOld, busy, pixels, outline])
  return outline && reading?.of === pixels ? reading.found : null
}

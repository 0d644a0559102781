import { useState } from 'react'
import { firstPhoto, type CardChoices } from '@outfit/core/show'
import { PHOTO_LIMIT, PHOTO_TOO_LARGE } from '@outfit/core/tables'
import { api, errorText } from '../data/api.ts'
import { askPicture } from '../picture/askPicture.ts'
import { pixelsOf } from '../picture/pixels.ts'
import type { Choices } from './useChoices.ts'

/** Takes a photo of the built figure in for a card: kept on the server, cut round the figure where that is found. */
export function useCardPhoto({ change }: Choices<CardChoices>) {
  const [addPhoto] = api.endpoints.addPhoto.useMutation()
  const [busy, setBusy] = useState('')
  const [note, setNote] = useState('')
  const take = async (file: File | undefined) => {
    if (!file) return
    setNote('')
    if (file.size > PHOTO_LIMIT) return setNote(`${file.name}: ${PHOTO_TOO_LARGE}`)
    setBusy('Bringing the photo in…')
    const kept = await addPhoto(file)
    if (kept.error) {
      setBusy('')
      return setNote(`${file.name}: ${errorText(kept.error)}`)
    }
    setBusy('Looking for the figure…')
    // A photo in which nothing can be found is still a photo.
    const figures = await pixelsOf(kept.data.hash)
      .then((pixels) => askPicture('figures', pixels))
      .catch(() => [])
    const tallest = [...figures].sort((a, b) => b.height - a.height)[0]
    change({ picture: 'photo', photo: firstPhoto(kept.data, tallest?.own ?? null) })
    setBusy('')
    if (!tallest)
      setNote('The ground is not plain enough to find the figure. Draw the corners in until they are close round it.')
  }
  return { take: (file: File | undefined) => void take(file), busy, note }
}

export type CardPhotoWork = ReturnType<typeof useCardPhoto>

import { useState } from 'react'
import { PHOTO_LIMIT, PHOTO_TOO_LARGE } from '@outfit/core/tables'
import { api, errorText } from '../data/api.ts'
import { warn } from '../ui/tell.ts'

/** A picture that was hung beside an outfit. */
export interface Hung {
  outfit: string
  id: string
}

/** Hangs picture files beside outfits, one after the other; what is refused is told by its name, the others are hung. */
export function useHangPictures() {
  const [addPhoto] = api.endpoints.addPhoto.useMutation()
  const [addReference] = api.endpoints.addReference.useMutation()
  const [left, setLeft] = useState(0)
  const hang = async (files: readonly { file: File; outfit: string }[]): Promise<Hung[]> => {
    const hung: Hung[] = []
    const refuse = (file: File, why: string) => warn(`${file.name}: ${why}`)
    setLeft(files.length)
    for (const [i, { file, outfit }] of files.entries()) {
      if (file.size > PHOTO_LIMIT) refuse(file, PHOTO_TOO_LARGE)
      else {
        const photo = await addPhoto(file)
        const caption = file.name.replace(/\.\w+$/, '').slice(0, 200)
        const added = photo.data
          ? await addReference({ outfit, photo: photo.data.hash, caption, ownOutfit: true, outline: null })
          : photo
        if (added.error) refuse(file, errorText(added.error))
        else hung.push({ outfit, id: (added as { data: { id: string } }).data.id })
      }
      setLeft(files.length - i - 1)
    }
    return hung
  }
  return { hang, left }
}

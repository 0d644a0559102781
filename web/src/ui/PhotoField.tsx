import { api } from '../data/api.ts'
import { tellError } from './tell.ts'

/** A picture to go with something; its hash, or null while there is none. */
export function PhotoField({ onPhoto }: { onPhoto: (hash: string | null) => void }) {
  const [addPhoto] = api.endpoints.addPhoto.useMutation()
  const take = async (file: File | undefined) => {
    if (!file) return onPhoto(null)
    const answer = await addPhoto(file)
    if (answer.error) return tellError(answer.error)
    onPhoto(answer.data.hash)
  }
  return (
    <label className="block font-semibold">
      A picture
      <input
        type="file"
        accept="image/png,image/jpeg,image/webp"
        onChange={({ target }) => void take(target.files?.[0])}
        className="mt-1.5 block w-full text-[13px] font-normal"
      />
    </label>
  )
}

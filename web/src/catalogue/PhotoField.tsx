import { useId, useState } from 'react'
import { megabytes, PHOTO_LIMIT, PHOTO_TOO_LARGE } from '@outfit/core/tables'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'

/** A photo: chosen, sent, shown, taken away. */
export function PhotoField({
  value,
  onChange,
  label,
}: {
  value: string | null
  onChange: (hash: string | null) => void
  label: string
}) {
  const id = useId()
  const [add, adding] = api.endpoints.addPhoto.useMutation()
  const [error, setError] = useState<string | null>(null)
  const take = async (file: File | undefined) => {
    if (!file) return
    if (file.size > PHOTO_LIMIT) return setError(`${file.name}: ${PHOTO_TOO_LARGE}`)
    setError(null)
    const answer = await add(file)
    return answer.error ? setError(errorText(answer.error)) : onChange(answer.data.hash)
  }
  return (
    <div>
      <label htmlFor={id} className="block text-[13px] font-semibold">
        {label}
      </label>
      <div className="mt-1 flex items-center gap-3">
        {value && (
          <img
            src={`/api/photos/${value}`}
            alt="The photo as it is kept"
            className="h-[84px] rounded-[8px] border border-rule"
          />
        )}
        <input
          id={id}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          disabled={adding.isLoading}
          onChange={(event) => {
            void take(event.target.files?.[0])
            event.target.value = ''
          }}
          className="text-[13px] text-soft file:mr-2 file:rounded-[8px] file:border file:border-rule file:bg-card file:px-2.5 file:py-1 file:text-ink"
        />
        {value && (
          <Button type="button" look="plain" onClick={() => onChange(null)}>
            Take it away
          </Button>
        )}
      </div>
      <p className={`mt-0.5 text-[13px] ${error ? 'text-problem' : 'text-soft'}`} role={error ? 'alert' : undefined}>
        {error ?? (adding.isLoading ? 'Keeping the photo…' : `PNG, JPEG or WebP, up to ${megabytes(PHOTO_LIMIT)}`)}
      </p>
    </div>
  )
}

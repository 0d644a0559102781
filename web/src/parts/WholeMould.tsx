import type { Mould } from '@outfit/core/catalogue'
import { isComplete } from '@outfit/core/settings'
import { settingsApi, useSettings } from '../data/settingsApi.ts'
import { tell, tellError } from '../ui/tell.ts'

/** Says whether the catalogue has every colour and print a mould was ever made in; nothing where it has all of all moulds. */
export function WholeMould({ mould }: { mould: Mould }) {
  const settings = useSettings()
  const [change, { isLoading }] = settingsApi.endpoints.changeSettings.useMutation()
  if (settings.wholeCatalogue) return null
  const before = settings.wholeMoulds
  const set = async (whole: boolean) => {
    const others = before.filter((code) => code !== mould.code)
    const answer = await change({ wholeMoulds: whole ? [...others, mould.code] : others })
    if (answer.error) return tellError(answer.error)
    const words = whole
      ? `What is not there of “${mould.name}” counts as never made.`
      : `What is not there of “${mould.name}” counts as not known.`
    tell(words, () => change({ wholeMoulds: before }))
  }
  return (
    <label className="mt-2 flex items-center gap-2 text-[13px]">
      <input
        type="checkbox"
        checked={isComplete(settings, mould.code)}
        disabled={isLoading}
        onChange={({ target }) => void set(target.checked)}
      />
      My catalogue has every colour and print “{mould.name}” was ever made in
    </label>
  )
}

import { binKind, type Bin } from '@outfit/core/drawer'
import { FIELD } from '../ui/FormDialog.tsx'

/** Whether loose parts lie in a bin. */
export const isPlain = (bin: Bin): boolean => binKind(bin) === 'loose'

interface BinSelectProps {
  label: string
  bins: readonly Bin[]
  value: string
  /** What choosing none is called; without it one has to be chosen. */
  none?: string
  onPick: (code: string) => void
}

/** One bin out of many, by name. */
export function BinSelect({ label, bins, value, none, onPick }: BinSelectProps) {
  return (
    <label className="block font-semibold">
      {label}
      <select value={value} onChange={({ target }) => onPick(target.value)} className={FIELD}>
        {none !== undefined && <option value="">{none}</option>}
        {bins.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

import { FIELD } from '../ui/FormDialog.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'

interface RosterFieldsProps {
  budget: number | null
  dueOn: string | null
  onChange: (next: { budget?: number | null; dueOn?: string | null }) => void
}

/** What a roster may cost, and until when it is wanted. */
export function RosterFields({ budget, dueOn, onChange }: RosterFieldsProps) {
  return (
    <div className="flex gap-4">
      <label className="block flex-1 font-semibold">
        Budget
        <MoneyField
          value={budget}
          onChange={(next) => onChange({ budget: next })}
          label="Budget"
          placeholder="none"
          className="mt-1 block w-full !bg-paper py-1"
        />
      </label>
      <label className="block flex-1 font-semibold">
        Wanted by
        <input
          type="date"
          value={dueOn ?? ''}
          onChange={(event) => onChange({ dueOn: event.target.value || null })}
          className={FIELD}
        />
      </label>
    </div>
  )
}

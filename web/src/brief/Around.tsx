import { useId, useState } from 'react'
import {
  ABILITIES,
  STATURES,
  statureAt,
  WEIGHTS,
  type Avoid,
  type Brief,
  type Stature,
  type Weight,
} from '@outfit/core/brief'
import { Carriers } from '../ui/Carriers.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'

const field = 'rounded-[8px] border border-rule bg-card px-1.5 py-0.5 text-[13.5px]'

/** What goes round the wishes: stature, what to avoid, notes and credits. */
export function Around({ brief, onChange }: { brief: Brief; onChange: (brief: Brief) => void }) {
  const set = (change: Partial<Brief>) => onChange({ ...brief, ...change })
  const avoid = (change: Partial<Avoid>) => set({ avoid: { ...brief.avoid, ...change } })
  const [notesId, creditsId] = [useId(), useId()]
  // A stature that was chosen against the years stays when they change.
  const [chosen, choose] = useState(brief.years !== null && brief.stature !== statureAt(brief.years))
  return (
    <div className="space-y-2 pt-2 pb-4">
      <Line label="Stature">
        <input
          type="number"
          min={0}
          max={150}
          aria-label="Years of age"
          placeholder="years"
          value={brief.years ?? ''}
          onChange={({ target: { value } }) => {
            const years = value === '' ? null : Math.max(0, Math.min(150, Math.floor(Number(value))))
            set(years === null || chosen ? { years } : { years, stature: statureAt(years) })
          }}
          className={`${field} w-[72px]`}
        />
        <select
          aria-label="Stature"
          value={brief.stature}
          onChange={(event) => {
            const stature = event.target.value as Stature
            choose(brief.years === null || stature !== statureAt(brief.years))
            set({ stature })
          }}
          className={field}
        >
          {STATURES.map((stature) => (
            <option key={stature}>{stature}</option>
          ))}
        </select>
        <select
          aria-label="How much stature matters"
          value={brief.statureWeight}
          onChange={(event) => set({ statureWeight: event.target.value as Weight })}
          className={`${field} ml-auto w-[122px] ${brief.statureWeight === 'must' ? 'border-problem font-bold text-problem' : ''}`}
        >
          {Object.entries(WEIGHTS).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
      </Line>
      <Line label="Must be seen">
        {ABILITIES.map(({ key, label, signs }) => (
          <button
            key={key}
            type="button"
            aria-pressed={brief.abilities.includes(key)}
            title={`Told by: ${signs}`}
            onClick={() =>
              set({
                abilities: brief.abilities.includes(key)
                  ? brief.abilities.filter((one) => one !== key)
                  : [...brief.abilities, key],
              })
            }
            className={`rounded-full border px-2 py-0 text-[13px] ${brief.abilities.includes(key) ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
          >
            {label}
          </button>
        ))}
      </Line>
      <Line label="Avoid">
        <Carriers kind="figures" codes={brief.avoid.figures} onChange={(figures) => avoid({ figures })} />
        <Carriers kind="releases" codes={brief.avoid.releases} onChange={(releases) => avoid({ releases })} />
        <label className="flex items-center gap-1.5 text-[13.5px]">
          <input
            type="checkbox"
            checked={brief.avoid.byOthers}
            onChange={(event) => avoid({ byOthers: event.target.checked })}
            className="accent-[var(--act)]"
          />
          parts made by others
        </label>
        <label className="flex items-center gap-1.5 text-[13.5px]">
          parts above
          <MoneyField
            value={brief.avoid.priceAbove}
            onChange={(priceAbove) => avoid({ priceAbove })}
            label="Avoid parts that cost more than"
            className="w-[72px]"
          />
        </label>
      </Line>
      <label htmlFor={notesId} className="sr-only">
        Notes
      </label>
      <textarea
        id={notesId}
        rows={2}
        maxLength={4000}
        placeholder="Notes: what must be understood at a glance, what nobody will see …"
        value={brief.notes}
        onChange={(event) => set({ notes: event.target.value })}
        className={`${field} w-full px-2 py-1 placeholder:text-soft`}
      />
      <label htmlFor={creditsId} className="sr-only">
        Credits
      </label>
      <input
        id={creditsId}
        maxLength={1000}
        placeholder="Credits: idea from …"
        value={brief.credits}
        onChange={(event) => set({ credits: event.target.value })}
        className={`${field} w-full px-2 py-1 placeholder:text-soft`}
      />
    </div>
  )
}

function Line({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="grid grid-cols-[104px_1fr] items-center">
      <span className="font-semibold">{label}</span>
      <span className="flex flex-wrap items-center gap-2">{children}</span>
    </div>
  )
}

import { homeMoney } from '@outfit/core/market'
import { type Brief, type Place, PLACE_FACTS, PLACES, wishesOf } from '@outfit/core/brief'
import { MoneyField } from '../ui/MoneyField.tsx'
import type { CastingSettings } from './useCasting.ts'

const KEY = 'outfit.casting'

/** The settings used last. */
export function rememberedSettings(): CastingSettings {
  const blank: CastingSettings = { pool: 'both', priceWeight: 0.5, limit: null, keep: [] }
  try {
    const { pool, priceWeight } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<CastingSettings>
    return {
      ...blank,
      ...(pool && pool in POOLS ? { pool } : {}),
      ...(typeof priceWeight === 'number' && priceWeight >= 0 && priceWeight <= MOST ? { priceWeight } : {}),
    }
  } catch {
    return blank
  }
}

export const rememberSettings = ({ pool, priceWeight }: CastingSettings) =>
  localStorage.setItem(KEY, JSON.stringify({ pool, priceWeight }))

const POOLS = { owned: 'the drawer', market: 'the market', both: 'both' } as const
/** Most points of likeness one unit of money is worth. */
const MOST = 4

interface SettingsProps {
  settings: CastingSettings
  onChange: (settings: CastingSettings) => void
  brief: Brief
  /** Whether money is weighed against likeness, or every sum of it is tried. */
  weighed: boolean
}

/** Where parts come from, what likeness is worth in money, and what stays as it is. */
export function Settings({ settings, onChange, brief, weighed }: SettingsProps) {
  const set = (change: Partial<CastingSettings>) => onChange({ ...settings, ...change })
  const wished = new Set(wishesOf(brief).map(({ place }) => place))
  const toggle = (place: Place) =>
    set({
      keep: settings.keep.includes(place) ? settings.keep.filter((p) => p !== place) : [...settings.keep, place],
    })
  return (
    <div className="space-y-4">
      <fieldset>
        <legend className="font-semibold">Parts from</legend>
        <div className="mt-1 flex gap-1.5">
          {Object.entries(POOLS).map(([key, label]) => (
            <label
              key={key}
              className={`cursor-pointer rounded-full border px-2.5 py-0.5 text-[13px] has-focus-visible:outline-2 has-focus-visible:outline-act ${settings.pool === key ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
            >
              <input
                type="radio"
                name="pool"
                value={key}
                checked={settings.pool === key}
                onChange={() => set({ pool: key as CastingSettings['pool'] })}
                className="sr-only"
              />
              {label}
            </label>
          ))}
        </div>
      </fieldset>
      {weighed && (
        <>
          <label className="block">
            <span className="font-semibold">Likeness or price</span>
            <input
              type="range"
              min={0}
              max={MOST}
              step={0.25}
              value={settings.priceWeight}
              onChange={(event) => set({ priceWeight: Number(event.target.value) })}
              className="mt-1 block w-full accent-[var(--act)]"
            />
            <span className="flex text-[13px] text-soft">
              likeness
              <span className="mx-auto">
                {settings.priceWeight === 0
                  ? 'price plays no part'
                  : `${homeMoney(100)} is worth ${settings.priceWeight} points`}
              </span>
              price
            </span>
          </label>
          <label className="flex items-center gap-2">
            <span className="font-semibold">Spend at most</span>
            <MoneyField
              value={settings.limit}
              onChange={(limit) => set({ limit })}
              label="Spend at most"
              placeholder="no limit"
              className="ml-auto w-[92px] py-1"
            />
          </label>
        </>
      )}
      <fieldset>
        <legend className="font-semibold">Leave as worn</legend>
        <div className="mt-1 flex flex-wrap gap-1.5">
          {PLACES.filter((place) => wished.has(place)).map((place) => (
            <button
              key={place}
              type="button"
              aria-pressed={settings.keep.includes(place)}
              onClick={() => toggle(place)}
              className={`rounded-full border px-2 py-0.5 text-[13px] ${settings.keep.includes(place) ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
            >
              {PLACE_FACTS[place].label.toLowerCase()}
            </button>
          ))}
        </div>
      </fieldset>
    </div>
  )
}

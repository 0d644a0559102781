import { RHYTHMS, type MarketRhythm, type Rhythm as Every } from '@outfit/core/settings'
import { FIELD } from '../ui/FormDialog.tsx'

const WORDS: Readonly<Record<Every, string>> = {
  never: 'only when asked to',
  hourly: 'every hour',
  daily: 'every day',
  weekly: 'every week',
}

/** How often the market is asked by itself, and when it is left in peace. */
export function Rhythm({ asks, onKeep }: { asks: MarketRhythm; onKeep: (asks: MarketRhythm, words: string) => void }) {
  const quiet = (field: 'quietFrom' | 'quietTo', words: string) => (
    <label className="flex items-center gap-2">
      {words}
      <input
        type="time"
        value={asks[field]}
        required
        onChange={({ target }) => {
          if (target.value) onKeep({ ...asks, [field]: target.value }, `Quiet hours ${words} ${target.value}.`)
        }}
        className={`${FIELD} w-[120px]`}
      />
    </label>
  )
  return (
    <div>
      <label className="block">
        <span className="block font-semibold">The market is asked</span>
        <select
          value={asks.every}
          onChange={({ target }) => {
            const every = target.value as Every
            onKeep({ ...asks, every }, `The market is asked ${WORDS[every]}.`)
          }}
          className={`${FIELD} mt-1 max-w-[420px]`}
        >
          {RHYTHMS.map((every) => (
            <option key={every} value={every}>
              {WORDS[every]}
            </option>
          ))}
        </select>
      </label>
      {asks.every !== 'never' && (
        <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <span>Quiet hours</span>
          {quiet('quietFrom', 'from')}
          {quiet('quietTo', 'to')}
        </p>
      )}
      <p className="mt-1 text-[14px] text-soft">
        While Outfit runs. A market that does not answer leaves the prices there are, and is asked again at the next
        turn.
      </p>
    </div>
  )
}

import { homeMoney, replicabilityInWords } from '@outfit/core/market'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'

/** How easily a stranger puts a take together. */
export function Replicable({ outfit, take }: { outfit: OutfitDetail; take: Take }) {
  const { currentData: found, error } = api.endpoints.replicable.useQuery({ outfit: outfit.id, take: take.id })
  return (
    <section aria-label="For someone else">
      <h2 className="text-lg">If someone else builds take {take.label}</h2>
      {error ? (
        <p role="alert" className="text-problem">
          {errorText(error)}
        </p>
      ) : found ? (
        <ul className="mt-1 space-y-1">
          {replicabilityInWords(found, (minor) => homeMoney(minor)).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : (
        <p role="status" className="text-soft">
          Asking the market…
        </p>
      )}
    </section>
  )
}

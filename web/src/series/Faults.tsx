import { doesNotFitInWords, type DoesNotFit } from '@outfit/core/series'

/** What of a print does not go where it should, by name. It is drawn all the same. */
export function Faults({ faults, way }: { faults: readonly DoesNotFit[]; way: string }) {
  if (faults.length === 0) return null
  return (
    <div role="status" className="rounded-[10px] border border-notice bg-card p-3 text-[13.5px]">
      <p className="font-semibold">
        {faults.length === 1 ? 'One text does not fit' : `${faults.length} texts do not fit`}
      </p>
      <ul className="mt-1 space-y-1 text-soft">
        {faults.slice(0, 5).map((fault) => (
          <li key={`${fault.where} ${fault.text}`}>{doesNotFitInWords(fault)}</li>
        ))}
      </ul>
      {faults.length > 5 && <p className="mt-1 text-soft">And {faults.length - 5} more.</p>}
      <p className="mt-1">{way}</p>
    </div>
  )
}

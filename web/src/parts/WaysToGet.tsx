import { useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import type { WayToGet } from '@outfit/core/prices'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Swatch } from '../ui/Swatch.tsx'

function leftWords({ left, leftWorth, leftUnpriced }: WayToGet): string {
  const units = left.reduce((sum, { qty }) => sum + qty, 0)
  if (units === 0) return 'nothing left over'
  const worth = leftWorth > 0 ? `, worth ${homeMoney(leftWorth)} singly` : ''
  const unpriced = leftUnpriced > 0 && leftWorth > 0 ? ` (${leftUnpriced} not sold singly)` : ''
  return `${units} part${units === 1 ? '' : 's'} left over${worth}${unpriced}`
}

/**
 * The cheapest ways to get a part: singly, inside an assembly, on a figure or in a box, with what each leaves over. What
 * stands below comes with them, so that nothing moves away under a pointer.
 */
export function WaysToGet({ of, children }: { of: string; children?: ReactNode }) {
  const { currentData, error } = api.endpoints.waysToGet.useQuery(of)
  const [open, setOpen] = useState<string | null>(null)
  return (
    <>
      <section aria-label="Ways to get it">
        <h2 className="text-lg">Easiest ways to get it</h2>
        {error && <p className="text-problem">{errorText(error)}</p>}
        {!error && !currentData && <p className="text-soft">Asking the sellers…</p>}
        {currentData?.ways.length === 0 && <p className="text-soft">Nobody offers it, alone or with others.</p>}
        <ol>
          {currentData?.ways.map((way) => {
            const key = `${way.kind} ${way.code}`
            const shown = open === key
            return (
              <li key={key} className="border-t border-rule py-1 first:border-0">
                <p className="flex gap-2">
                  <span className="min-w-0 truncate font-semibold">
                    {way.kind === 'part' && way.code === of ? 'The part alone' : way.name}
                  </span>
                  <span className="ml-auto font-semibold">{homeMoney(way.cost)}</span>
                </p>
                <p className="text-[13px] leading-snug text-soft">
                  {way.multiple > 1 ? `${way.multiple} at once, ` : ''}
                  {way.condition}, {way.sellerName};{' '}
                  {way.left.length === 0 ? (
                    leftWords(way)
                  ) : (
                    <button
                      type="button"
                      aria-expanded={shown}
                      onClick={() => setOpen(shown ? null : key)}
                      className="text-left text-act underline"
                    >
                      {leftWords(way)}
                    </button>
                  )}
                </p>
                {shown && <LeftOver left={way.left} />}
              </li>
            )
          })}
        </ol>
        {currentData && currentData.ways.length > 0 && (
          <p className="mt-1 text-[13px] text-soft">Before shipping; a plan under Sourcing counts that too.</p>
        )}
      </section>
      {(error || currentData) && children}
    </>
  )
}

function LeftOver({ left }: { left: WayToGet['left'] }) {
  const catalogue = useAppSelector(selectCatalogue)
  return (
    <ul className="mt-0.5 mb-1 border-l-2 border-rule pl-2 text-[13px]">
      {left.map(({ part: code, qty }) => {
        const part = catalogue?.parts.get(code)
        const colour = catalogue?.colours.get(part?.colours[0] ?? '')
        return (
          <li key={code} className="flex items-center gap-1.5">
            {qty} × <Swatch colour={colour} size={10} />
            <Link to={`/parts/${code}`} className="min-w-0 truncate hover:text-act hover:underline">
              {part?.name ?? code}
            </Link>
            <span className="text-soft">{colour?.name}</span>
          </li>
        )
      })}
    </ul>
  )
}

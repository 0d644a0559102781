import { Link } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import type { Whole } from '@outfit/core/prices'
import { pricePage } from '../data/pricesApi.ts'
import { wholeInWords } from './priceWords.ts'

/** Figures and boxes that bring what is wanted, against buying it singly. */
export function Wholes({ wholes, units }: { wholes: readonly Whole[]; units: number }) {
  if (wholes.length === 0) return <p className="text-soft">No figure and no box for sale brings two of these parts.</p>
  return (
    <ul className="border-t border-rule">
      {wholes.map((whole) => (
        <li key={whole.kind + whole.code} className="border-b border-rule py-1.5">
          <div className="flex items-baseline gap-2">
            <Link to={pricePage(whole.kind, whole.code)} className="font-semibold hover:text-act hover:underline">
              {whole.name}
            </Link>
            <span className="text-[13px] text-soft">
              {whole.kind === 'figure' ? 'figure' : 'box'}, {whole.condition}, {whole.sellerName}
            </span>
            <strong className={`ml-auto shrink-0 ${whole.saves >= 0 ? 'text-good' : 'text-soft'}`}>
              {whole.saves >= 0 ? `saves ${homeMoney(whole.saves)}` : `${homeMoney(-whole.saves)} dearer`}
            </strong>
          </div>
          <p className="text-[13.5px]">{wholeInWords(whole, units)}</p>
        </li>
      ))}
    </ul>
  )
}

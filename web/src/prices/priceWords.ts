import { homeMoney } from '@outfit/core/market'
import {
  type Outlier,
  type PriceCondition,
  type PricePoint,
  type Trend,
  trendInWords,
  type Whole,
} from '@outfit/core/prices'
import { dayInWords } from '../parcels/parcelWords.ts'

export const CONDITION: Readonly<Record<PriceCondition, string>> = { any: 'new or used', new: 'new', used: 'used' }

/** "Usually €1.10 to €1.60, €1.35 in the middle; rising by about 3 % a month since 1 June." */
export function findingOf(last: PricePoint | undefined, trend: Trend | undefined): string {
  if (!last) return 'Nobody has asked a price for it yet.'
  const usual =
    last.n === 1 && last.q1 === last.q3
      ? `One offer, at ${homeMoney(last.median)}`
      : last.n < 4
        ? `${last.n} offers from ${homeMoney(last.low)} to ${homeMoney(last.high)}, ${homeMoney(last.median)} in the middle`
        : `Half of them ask ${homeMoney(last.q1)} to ${homeMoney(last.q3)}, ${homeMoney(last.median)} in the middle`
  return `${usual}; ${trend ? trendInWords(trend, dayInWords) : 'no trend yet'}.`
}

/** The same of what several things come to together. */
export function sumFindingOf(last: PricePoint | undefined, trend: Trend | undefined): string {
  if (!last) return 'None of it was ever offered singly.'
  const where = trend ? trendInWords(trend, dayInWords) : 'no trend yet'
  return `${homeMoney(last.median)} at middle prices, ${homeMoney(last.low)} at the lowest of each; ${where}.`
}

/** Why a price is unusual: "4.2 times the usual €1.35 of 9 offers; up to €3.10 would not be out of line." */
export function oddInWords({ times, usual }: Omit<Outlier, 'index'>): string {
  const [middle, n] = [homeMoney(usual.median), usual.n]
  return times > 1
    ? `${times.toFixed(1)} times the usual ${middle} of ${n} offers; up to ${homeMoney(usual.to)} would not be out of line`
    : `a ${(1 / times).toFixed(1)}th of the usual ${middle} of ${n} offers; down to ${homeMoney(usual.from)} would not be out of line`
}

/** What buying a figure or box instead of single parts comes to. */
export function wholeInWords(
  { brings, singly, onlyHere, left, leftWorth, leftUnpriced, cost, saves }: Whole,
  units: number,
): string {
  const what = brings === units ? (units === 1 ? 'Brings it' : `Brings all ${units}`) : `Brings ${brings} of ${units}`
  const alone =
    onlyHere === brings
      ? 'which nobody sells singly'
      : `${homeMoney(singly)} singly${onlyHere > 0 ? `, and ${onlyHere} nobody sells singly` : ''}`
  const pieces = left.reduce((sum, { qty }) => sum + qty, 0)
  const rest =
    pieces === 0
      ? 'nothing is left over'
      : `${pieces} left over${leftWorth > 0 ? `, worth ${homeMoney(leftWorth)}` : ''}${leftUnpriced > 0 ? ` (${leftUnpriced} without a price)` : ''}`
  const sum = saves >= 0 ? `saves ${homeMoney(saves)}` : `costs ${homeMoney(-saves)} more`
  return `${what}, ${alone}; ${rest}: for ${homeMoney(cost)} it ${sum}.`
}

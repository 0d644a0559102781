import { inPoints } from '@outfit/core/brief'

/** Two likenesses in points, finer where whole points would be the same. */
export function apartInPoints(before: number, after: number): [string, string] {
  const [was, is] = [inPoints(before), inPoints(after)]
  return was === is ? [(before / 1000).toFixed(1), (after / 1000).toFixed(1)] : [`${was}`, `${is}`]
}

/** A gain in points, finer where it is small: "+12", "+0.4". */
export const gainInPoints = (milli: number): string =>
  `+${Math.abs(milli) < 9500 ? (milli / 1000).toFixed(1).replace(/\.0$/, '') : inPoints(milli)}`

/** A change either way: "+12", "−0.4", "±0". */
export const changeInPoints = (milli: number): string =>
  milli === 0 ? '±0' : milli > 0 ? gainInPoints(milli) : gainInPoints(-milli).replace('+', '−')

import { COLOUR_LIMITS } from '../colour/index.ts'

/**
 * How alike a colour is to the one wished for, by its CIEDE2000 difference: 1 as long as nobody sees a difference, 0.85
 * where it begins to be near only, 0.5 where it is plainly another colour, nothing from 40 on; straight lines between.
 */
const COLOUR_FALLOFF: readonly (readonly [deltaE: number, score: number])[] = [
  [COLOUR_LIMITS.same, 1],
  [COLOUR_LIMITS.near, 0.85],
  [COLOUR_LIMITS.different, 0.5],
  [20, 0.15],
  [40, 0],
]

/** Score in [0, 1] of a colour difference, by COLOUR_FALLOFF. */
export function colourScore(deltaE: number): number {
  let [lastDelta, lastScore] = COLOUR_FALLOFF[0]!
  if (deltaE <= lastDelta) return lastScore
  for (const [delta, score] of COLOUR_FALLOFF) {
    if (deltaE <= delta) return lastScore + ((score - lastScore) * (deltaE - lastDelta)) / (delta - lastDelta)
    lastDelta = delta
    lastScore = score
  }
  return 0
}

/** Score of a value so many steps away on a scale such as short, middle, long. */
const SCALE_FALLOFF = [1, 0.5, 0.15] as const

export const scaleScore = (steps: number): number => SCALE_FALLOFF[Math.abs(steps)] ?? 0

/** A wish counts as met, which a must has to be, from this score on: a colour up to ΔE 8.6, a scale on its very step. */
export const MET = 0.6

/** Values that read much alike, either way round; all others are 1 where equal and 0 where not. */
const ALIKE: readonly (readonly [trait: string, a: string, b: string, score: number])[] = [
  ['texture', 'straight', 'wavy', 0.5],
  ['texture', 'wavy', 'curly', 0.6],
  ['texture', 'curly', 'locs', 0.4],
  ['expression', 'smile', 'grin', 0.6],
  ['expression', 'smile', 'smirk', 0.5],
  ['expression', 'smile', 'lips', 0.6],
  ['expression', 'grin', 'open', 0.4],
  ['expression', 'flat', 'smirk', 0.4],
  ['expression', 'flat', 'frown', 0.5],
  ['expression', 'flat', 'lips', 0.5],
  ['expression', 'open', 'shout', 0.6],
  ['expression', 'open', 'puff', 0.4],
  ['beard', 'full', 'chin', 0.5],
  ['beard', 'goatee', 'chin', 0.6],
  ['beard', 'goatee', 'full', 0.4],
  ['beard', 'stubble', 'none', 0.4],
  ['beard', 'stubble', 'chin', 0.4],
  ['garment', 'jacket', 'coat', 0.6],
  ['garment', 'jacket', 'suit', 0.6],
  ['garment', 'jersey', 'jumper', 0.5],
  ['garment', 'jumper', 'cardigan', 0.5],
  ['garment', 'jumper', 'fleece', 0.5],
  ['garment', 'shirt', 'blouse', 0.6],
  ['garment', 'shirt', 'tunic', 0.4],
  ['garment', 'waistcoat', 'jacket', 0.4],
  ['garment', 'overalls', 'apron', 0.4],
  ['below', 'skirt', 'gown', 0.5],
]

const KNOWN = new Map(
  ALIKE.flatMap(([trait, a, b, score]) => [
    [`${trait} ${a} ${b}`, score] as const,
    [`${trait} ${b} ${a}`, score] as const,
  ]),
)

/** Score of one value of a trait where another is wished for. */
export const valueScore = (trait: string, wanted: string, shown: string): number =>
  wanted === shown ? 1 : (KNOWN.get(`${trait} ${wanted} ${shown}`) ?? 0)

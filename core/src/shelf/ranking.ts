/** Of two outfits, the one that was preferred. */
export interface Choice {
  better: string
  worse: string
}

/** Where an outfit stands in a ranking. */
export interface Ranked {
  id: string
  /** How much it is liked, around 0; a difference of 1 is a preference of 73 in 100. */
  liking: number
  /** How sure it is that this one is ahead of the next, in [0.5, 1]; null for the last. */
  ahead: number | null
  /** In how many choices it stood. */
  choices: number
}

export interface Ranking {
  ranked: Ranked[]
  /** The two to be asked about next: the answer nobody can foretell that says most. null with fewer than two. */
  next: [string, string] | null
  /** How sure the whole order is: the mean of how sure each neighbour is ahead of the next. */
  sure: number
}

/** Weight of the belief that nobody is liked more than others, so that one choice does not decide everything. */
const PRIOR = 0.35
const MOST_STEPS = 30

/**
 * A ranking from choices between two, by the model of Bradley and Terry (1952): outfit a is preferred to b with
 * probability 1 / (1 + exp(b − a)). Likings are the most probable ones under a normal prior, found by Newton's method; how
 * sure they are comes from the curvature there (Laplace's approximation). Choices that contradict each other are allowed.
 * O(outfits³).
 */
export function rankingOf(ids: readonly string[], choices: readonly Choice[]): Ranking {
  const n = ids.length
  const at = new Map(ids.map((id, i) => [id, i]))
  const pairs = choices.flatMap(({ better, worse }) => {
    const [a, b] = [at.get(better), at.get(worse)]
    return a === undefined || b === undefined || a === b ? [] : [[a, b] as const]
  })
  let liking: Float64Array = new Float64Array(n)
  let spread: Float64Array[] = identity(n, 1 / PRIOR)
  for (let step = 0; step < MOST_STEPS; step++) {
    const slope = Float64Array.from(liking, (x) => -PRIOR * x)
    const curve = identity(n, PRIOR)
    for (const [a, b] of pairs) {
      const p = chance(liking[a]! - liking[b]!)
      slope[a]! += 1 - p
      slope[b]! -= 1 - p
      const bend = p * (1 - p)
      curve[a]![a]! += bend
      curve[b]![b]! += bend
      curve[a]![b]! -= bend
      curve[b]![a]! -= bend
    }
    spread = inverse(curve)
    const move = spread.map((row) => row.reduce((sum, value, j) => sum + value * slope[j]!, 0))
    liking = liking.map((x, i) => x + move[i]!)
    if (Math.max(0, ...move.map(Math.abs)) < 1e-9) break
  }
  const variance = (a: number, b: number) => spread[a]![a]! + spread[b]![b]! - 2 * spread[a]![b]!
  // Equal likings stay in the order they came.
  const order = ids
    .map((_, i) => i)
    .sort((a, b) => (Math.abs(liking[b]! - liking[a]!) > 1e-9 ? liking[b]! - liking[a]! : a - b))
  const ranked = order.map((i, place): Ranked => {
    const j = order[place + 1]
    return {
      id: ids[i]!,
      liking: liking[i]!,
      ahead: j === undefined ? null : normal((liking[i]! - liking[j]!) / Math.sqrt(variance(i, j))),
      choices: pairs.filter(([a, b]) => a === i || b === i).length,
    }
  })
  let next: [string, string] | null = null
  let most = 0
  for (const [place, a] of order.entries())
    for (const b of order.slice(place + 1)) {
      const p = chance(liking[a]! - liking[b]!)
      const told = p * (1 - p) * variance(a, b)
      if (told > most + 1e-12) [most, next] = [told, [ids[a]!, ids[b]!]]
    }
  const gaps = ranked.flatMap(({ ahead }) => ahead ?? [])
  return { ranked, next, sure: gaps.length > 0 ? gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length : 1 }
}

const chance = (difference: number) => 1 / (1 + Math.exp(-difference))

/** The normal distribution function, to 1.5e-7 (Abramowitz and Stegun 7.1.26). */
export function normal(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2)
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const erf = 1 - poly * Math.exp((-x * x) / 2)
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2
}

const identity = (n: number, value: number) =>
  Array.from({ length: n }, (_, i) => Float64Array.from({ length: n }, (_, j) => (i === j ? value : 0)))

/** The inverse of a symmetric positive definite matrix, by Gauss and Jordan. */
function inverse(matrix: readonly Float64Array[]): Float64Array[] {
  const n = matrix.length
  const left = matrix.map((row) => Float64Array.from(row))
  const right = identity(n, 1)
  for (let c = 0; c < n; c++) {
    const pivot = left[c]![c]!
    for (let j = 0; j < n; j++) {
      left[c]![j]! /= pivot
      right[c]![j]! /= pivot
    }
    for (let r = 0; r < n; r++) {
      const factor = left[r]![c]!
      if (r === c || factor === 0) continue
      for (let j = 0; j < n; j++) {
        left[r]![j]! -= factor * left[c]![j]!
        right[r]![j]! -= factor * right[c]![j]!
      }
    }
  }
  return right
}

/** "as good as certain", "likely", "a guess": how sure a place is, in words. */
export function sureInWords(ahead: number): string {
  return ahead >= 0.95 ? 'as good as certain' : ahead >= 0.8 ? 'likely' : ahead >= 0.6 ? 'rather so' : 'a guess'
}

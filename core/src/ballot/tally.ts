import { normal, rankingOf } from '../shelf/index.ts'
import type { Ballot, BallotAnswer } from './ballot.ts'

/** Where a candidate stands. */
export interface Tallied {
  id: string
  name: string
  /** Mean of its stars; null where pairs were chosen. */
  stars: number | null
  /** Of the choices it stood in, the share it won; null where stars were given, or it stood in none. */
  won: number | null
  /** How many chose or rated it. */
  voices: number
  /** How sure it is that it is ahead of the next, in [0.5, 1]; null for the last. */
  ahead: number | null
}

export interface Tally {
  answers: number
  ranked: Tallied[]
  /** How sure the whole order is: the mean over neighbours. */
  sure: number
}

/** Weight, in answers, of the belief that no candidate is better than another; and how far single answers usually differ, in stars. */
const PRIOR = { weight: 1, spread: 1.2 } as const

/**
 * The order of candidates from all answers, with how sure it is. Choices between two go through the model of the ranking
 * (Bradley and Terry). Of stars, neighbours are compared among those who rated both: the mean difference with its standard
 * error, drawn towards nothing by one answer of nobody's. O(candidates³ + answers × candidates).
 */
export function tallyOf(
  { way, candidates }: Pick<Ballot, 'way' | 'candidates'>,
  answers: readonly BallotAnswer[],
): Tally {
  return way === 'pairs' ? ofPairs(candidates, answers) : ofStars(candidates, answers)
}

function ofPairs(candidates: Ballot['candidates'], answers: readonly BallotAnswer[]): Tally {
  const choices = answers.flatMap(({ pairs }) =>
    pairs.map(({ better, worse }) => ({ better: candidates[better]!.id, worse: candidates[worse]!.id })),
  )
  const { ranked, sure } = rankingOf(
    candidates.map(({ id }) => id),
    choices,
  )
  return {
    answers: answers.length,
    sure,
    ranked: ranked.map(({ id, ahead, choices: stood }) => ({
      id,
      name: candidates.find((one) => one.id === id)!.name,
      stars: null,
      won: stood === 0 ? null : choices.filter(({ better }) => better === id).length / stood,
      voices: stood,
      ahead,
    })),
  }
}

function ofStars(candidates: Ballot['candidates'], answers: readonly BallotAnswer[]): Tally {
  const rated = candidates.map(({ id, name }, i) => {
    const given = answers.flatMap(({ stars }) => (stars[i]! > 0 ? [stars[i]!] : []))
    const sum = given.reduce((total, star) => total + star, 0)
    // Drawn towards the middle by one answer, so that a single five is not the best of all.
    return {
      i,
      id,
      name,
      voices: given.length,
      stars: given.length === 0 ? null : sum / given.length,
      standing: (sum + 3) / (given.length + 1),
    }
  })
  const order = [...rated].sort((a, b) => b.standing - a.standing || a.i - b.i)
  const ahead = (a: number, b: number) => {
    const differences = answers.flatMap(({ stars }) => (stars[a]! > 0 && stars[b]! > 0 ? [stars[a]! - stars[b]!] : []))
    const n = differences.length + PRIOR.weight
    const mean = differences.reduce((sum, d) => sum + d, 0) / n
    const squares = differences.reduce((sum, d) => sum + (d - mean) ** 2, PRIOR.weight * PRIOR.spread ** 2)
    return normal(mean / Math.sqrt(squares / n / n))
  }
  const ranked = order.map(({ i, id, name, voices, stars }, place): Tallied => ({
    ...{ id, name, voices, stars, won: null },
    ahead: place + 1 < order.length ? Math.max(0.5, ahead(i, order[place + 1]!.i)) : null,
  }))
  const gaps = ranked.flatMap((one) => one.ahead ?? [])
  return {
    answers: answers.length,
    ranked,
    sure: gaps.length === 0 ? 1 : gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length,
  }
}

/**
 * Whom somebody is for, of all on the ballot: who won most of that one's choices, or got most stars; null where several did.
 */
export function favouriteOf({ pairs, stars }: BallotAnswer, candidates: number): number | null {
  const scores = Array.from({ length: candidates }, (_, i) =>
    stars.length > 0 ? (stars[i] ?? 0) : pairs.filter(({ better }) => better === i).length,
  )
  const most = Math.max(...scores)
  return scores.filter((score) => score === most).length === 1 ? scores.indexOf(most) : null
}

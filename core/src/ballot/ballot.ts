import type { Placement } from '../catalogue/index.ts'

/** How somebody chooses: of two the better one, again and again, or so many stars for each. */
export const BALLOT_WAYS = ['pairs', 'stars'] as const
export type BallotWay = (typeof BALLOT_WAYS)[number]

/** What is voted on, as it looked when the ballot was made. */
export interface BallotCandidate {
  /** An outfit or a take. */
  id: string
  name: string
  placements: Placement[]
}

/** A question put to others. */
export interface Ballot {
  id: string
  roster: string
  /** The outfit whose takes are voted on; null where it is about outfits of the roster. */
  outfit: string | null
  title: string
  question: string
  way: BallotWay
  /** ISO 8601. */
  madeAt: string
  candidates: BallotCandidate[]
}

/** What somebody answered. Candidates by their place on the ballot, from 0. */
export interface BallotAnswer {
  /** Made by the file when it is opened, so that an answer sent twice counts once. */
  voter: string
  name: string
  /** ISO 8601. */
  at: string
  /** Of two the better one; empty where stars were given. */
  pairs: { better: number; worse: number }[]
  /** From 1 to 5 for each candidate, 0 where none were given; empty where pairs were chosen. */
  stars: number[]
}

/** How many may be voted on. */
export const MOST_CANDIDATES = 24
export const BALLOT_TEXTS = { title: 120, question: 240, name: 60, paste: 2_000_000 } as const

/** Answers begin so. */
const BEGINS = 'outfit-ballot-1'
const TOKEN = /outfit-ballot-1\.[0-9A-Za-z_-]+\.[0-9a-z]+\./g

/** A short sum of a text, by which a letter that was lost on the way is noticed. */
export function shortSum(text: string): string {
  let sum = 5381
  for (let i = 0; i < text.length; i++) sum = (Math.imul(sum, 33) ^ text.charCodeAt(i)) >>> 0
  return sum.toString(36)
}

const toBase64 = (text: string): string => {
  const bytes = new TextEncoder().encode(text)
  let binary = ''
  for (const byte of bytes) binary += String.fromCharCode(byte)
  return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')
}

const fromBase64 = (text: string): string => {
  const binary = atob(text.replaceAll('-', '+').replaceAll('_', '/'))
  return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(binary, (char) => char.charCodeAt(0)))
}

/** An answer as a text to be sent: letters that go through any mail and messenger. */
export function answerText(ballot: string, answer: BallotAnswer): string {
  const body = toBase64(
    JSON.stringify([
      ballot,
      answer.voter,
      answer.name,
      answer.at,
      answer.pairs.map(({ better, worse }) => [better, worse]),
      answer.stars,
    ]),
  )
  return `${BEGINS}.${body}.${shortSum(body)}.`
}

/** What was read of pasted answers. */
export interface AnswersRead {
  answers: BallotAnswer[]
  /** What could not be taken, each with why. */
  refused: string[]
}

/**
 * Read all answers out of what was pasted, with whatever stands around them. Answers to another ballot, damaged ones and
 * ones about candidates there are none of are refused, each with why.
 */
export function readAnswers(pasted: string, ballot: Pick<Ballot, 'id' | 'way' | 'candidates'>): AnswersRead {
  const read: AnswersRead = { answers: [], refused: [] }
  // Mail and messengers break a long word over lines, and mark quoted ones.
  const tokens = pasted.replace(/[\s>]+/g, '').match(TOKEN) ?? []
  if (tokens.length === 0) read.refused.push(`There is no answer in this text. An answer begins with “${BEGINS}”.`)
  for (const [i, token] of tokens.entries()) {
    const which = tokens.length > 1 ? `Answer ${i + 1}` : 'The answer'
    const [, body = '', sum] = token.split('.')
    const parsed = shortSum(body) === sum ? parse(body) : null
    if (!parsed) read.refused.push(`${which} is damaged: part of it was lost on the way. Ask for it again.`)
    else if (parsed.ballot !== ballot.id)
      read.refused.push(`${which}${parsed.answer.name && ` of ${parsed.answer.name}`} is to another ballot.`)
    else {
      const fault = faultOf(parsed.answer, ballot)
      if (fault) read.refused.push(`${which}${parsed.answer.name && ` of ${parsed.answer.name}`} ${fault}.`)
      else read.answers.push(parsed.answer)
    }
  }
  return read
}

function parse(body: string): { ballot: string; answer: BallotAnswer } | null {
  try {
    const [ballot, voter, name, at, pairs, stars] = JSON.parse(fromBase64(body)) as unknown[]
    if (typeof ballot !== 'string' || typeof voter !== 'string' || typeof name !== 'string' || typeof at !== 'string')
      return null
    if (
      !/^[0-9a-z]{8,40}$/.test(voter) ||
      Number.isNaN(Date.parse(at)) ||
      !Array.isArray(pairs) ||
      !Array.isArray(stars)
    )
      return null
    return {
      ballot,
      answer: {
        voter,
        name: name.slice(0, BALLOT_TEXTS.name).trim(),
        at,
        pairs: pairs.map((pair) => ({ better: (pair as number[])[0]!, worse: (pair as number[])[1]! })),
        stars: stars as number[],
      },
    }
  } catch {
    return null
  }
}

function faultOf({ pairs, stars }: BallotAnswer, { way, candidates }: Pick<Ballot, 'way' | 'candidates'>): string {
  const n = candidates.length
  const known = (value: unknown) => Number.isInteger(value) && (value as number) >= 0 && (value as number) < n
  if (way === 'pairs') {
    if (pairs.length === 0) return 'chooses nothing'
    if (pairs.length > n * n) return 'chooses more often than there are pairs'
    return pairs.every(({ better, worse }) => known(better) && known(worse) && better !== worse)
      ? ''
      : 'names somebody who does not stand on the ballot'
  }
  if (stars.length !== n) return 'does not fit the ballot'
  if (!stars.every((star) => Number.isInteger(star) && star >= 0 && star <= 5))
    return 'gives other than one to five stars'
  return stars.some((star) => star > 0) ? '' : 'gives no stars'
}

/** What came of bringing answers in. */
export interface AnswersTaken {
  taken: BallotAnswer[]
  /** Answers that were there already, word for word. */
  again: BallotAnswer[]
  /** Answers that take the place of an older one of the same file. */
  instead: BallotAnswer[]
  /** Older answers of a file whose newer one is there already. */
  older: BallotAnswer[]
}

/** Each answer counts once: of one file the newest. The order in which answers come does not matter. */
export function takeAnswers(kept: readonly BallotAnswer[], come: readonly BallotAnswer[]): AnswersTaken {
  const byVoter = new Map(kept.map((answer) => [answer.voter, answer]))
  const result: AnswersTaken = { taken: [], again: [], instead: [], older: [] }
  for (const answer of come) {
    const there = byVoter.get(answer.voter)
    if (!there) result.taken.push(answer)
    else if (
      JSON.stringify(there.pairs) === JSON.stringify(answer.pairs) &&
      JSON.stringify(there.stars) === JSON.stringify(answer.stars)
    ) {
      result.again.push(answer)
      continue
    } else if (later(answer, there)) result.instead.push(answer)
    else {
      result.older.push(answer)
      continue
    }
    byVoter.set(answer.voter, answer)
  }
  return result
}

/** Of two answers of the same moment one is as good as the other; which one stays must not hang on their order. */
const later = (one: BallotAnswer, other: BallotAnswer): boolean =>
  one.at > other.at || (one.at === other.at && JSON.stringify(one) > JSON.stringify(other))

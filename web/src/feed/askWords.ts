import { daysBetween } from '@outfit/core/base'
import { STALE_DAYS } from '@outfit/core/prices'
import { type Answered } from '@outfit/core/feed'
import type { Sheet } from '../data/marketApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'

const count = (n: number, one: string) => `${n.toLocaleString('en')} ${one}${n === 1 ? '' : 's'}`

/** What came of asking for a seller's list, in a sentence. */
export function answerInWords({
  state,
  reason,
  lines,
  fresh,
  dearer,
  cheaper,
  gone,
  rejected,
  requests,
}: Answered): string {
  if (state === 'blocked') return 'Not asked: you never buy there.'
  if (state === 'strange') return 'Not asked: it is no seller of yours. Make it one, and it is asked next time.'
  if (state === 'silent') return `No list came after ${count(requests, 'request')}: ${reason}. The last one stands.`
  const changes = [
    [fresh, 'new'],
    [dearer, 'dearer'],
    [cheaper, 'cheaper'],
    [gone, 'gone'],
  ].flatMap(([n, what]) => (Number(n) > 0 ? [`${n} ${what}`] : []))
  const told = `${count(lines, 'line')}, ${changes.length > 0 ? changes.join(', ') : 'nothing changed'}.`
  if (state === 'whole') return told
  const missing = rejected > 0 ? `${count(rejected, 'line')} could not be read` : `the rest did not come: ${reason}`
  return `${told} ${missing}; those stand as they were.`
}

/** How the whole of it went: "7 of 9 lists are new; 1 in part, 1 did not come." */
export function outcomeInWords(sellers: readonly Answered[]): string {
  const n = (state: Answered['state']) => sellers.filter((one) => one.state === state).length
  const asked = sellers.length - n('blocked') - n('strange')
  if (asked === 0) return 'No seller of yours was asked.'
  const rest = [
    ...(n('partial') > 0 ? [`${n('partial')} came in part`] : []),
    ...(n('silent') > 0 ? [`${n('silent')} did not come`] : []),
  ]
  const whole = `${n('whole')} of ${asked} lists came whole`
  return rest.length > 0 ? `${whole}, ${rest.join(', ')}.` : `${whole}.`
}

/** Whether a seller was heard lately: the day, and what to think of it. */
export function heardInWords(newest: string | null, on: string): { words: string; stale: boolean } {
  if (newest === null) return { words: 'never', stale: false }
  const age = daysBetween(newest, on)
  const ago = age <= 0 ? 'today' : age === 1 ? 'yesterday' : age <= STALE_DAYS ? `${age} days ago` : dayInWords(newest)
  return { words: ago, stale: age > STALE_DAYS }
}

const SOURCE: Record<Sheet['source'], string> = { table: 'from a table', hand: 'by hand', market: 'from the market' }

/** "260 lines from the market, the whole list" */
export const sheetInWords = ({ source, whole, lines }: Sheet): string =>
  `${count(lines, 'line')} ${SOURCE[source]}, ${whole ? 'the whole list' : 'part of it'}`

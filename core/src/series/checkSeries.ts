import { listed } from '../base/index.ts'
import type { State } from '../shelf/index.ts'
import { STATE_WORDS, STATES } from '../shelf/index.ts'
import type { Series } from './series.ts'
import type { Placement } from '../catalogue/index.ts'

/** Something a series lacks. */
export interface Lack {
  kind: 'title' | 'nobody' | 'number' | 'hole' | 'twice' | 'line' | 'faces' | 'bare' | 'unready'
  severity: 'problem' | 'notice'
  /** Outfits it is about. */
  outfits: string[]
  words: string
}

interface Checked {
  id: string
  name: string
  characterId: string
  placements: readonly Placement[]
  state: State
}

/** The face an outfit shows, with what was done to it; empty without a head. */
const faceOf = ({ placements }: Checked): string => {
  const head = placements.find(({ slot }) => slot === 'head')
  return head ? JSON.stringify([head.part, head.turned, head.altered ?? []]) : ''
}

/** What a series lacks before it can be printed and packed: problems first, then what is only told. O(outfits). */
export function checkSeries(series: Pick<Series, 'title' | 'number' | 'entries'>, outfits: readonly Checked[]): Lack[] {
  const lacks: Lack[] = []
  const add = (kind: Lack['kind'], severity: Lack['severity'], about: readonly Checked[], words: string) => {
    lacks.push({ kind, severity, outfits: about.map(({ id }) => id), words })
  }
  const names = (about: readonly Checked[]) => listed(about.map(({ name }) => name))
  const entryOf = new Map(series.entries.map((entry) => [entry.outfit, entry]))
  if (!series.title.trim()) add('title', 'problem', [], 'The series has no title.')
  if (outfits.length === 0)
    add('nobody', 'problem', [], 'Nobody is in the series yet. Add characters to the roster first.')
  const bare = outfits.filter(({ placements }) => placements.length === 0)
  if (bare.length > 0)
    add('bare', 'problem', bare, `${names(bare)} wear${bare.length === 1 ? 's' : ''} nothing yet and cannot be shown.`)
  const without = outfits.filter(({ id }) => (entryOf.get(id)?.number ?? null) === null)
  if (without.length > 0)
    add('number', 'problem', without, `${names(without)} ${without.length === 1 ? 'has' : 'have'} no number.`)
  const byNumber = new Map<number, Checked[]>()
  for (const outfit of outfits) {
    const number = entryOf.get(outfit.id)?.number ?? null
    if (number !== null) byNumber.set(number, [...(byNumber.get(number) ?? []), outfit])
  }
  for (const [number, several] of byNumber)
    if (several.length > 1)
      add(
        'twice',
        'problem',
        several,
        `${names(several)} are ${several.length === 2 ? 'both' : 'all'} number ${number}.`,
      )
  const numbers = [...byNumber.keys()].sort((a, b) => a - b)
  // A series may begin where the one before it ended; what is missing between its numbers is a hole.
  const holes = numbers.slice(1).flatMap((number, i): string[] => {
    const [from, to] = [numbers[i]! + 1, number - 1]
    return to < from ? [] : to - from < 2 ? [from, to].slice(0, to - from + 1).map(String) : [`${from} to ${to}`]
  })
  if (holes.length > 0)
    add(
      'hole',
      'problem',
      [],
      holes.length === 1 && !holes[0]!.includes(' ')
        ? `There is no number ${holes[0]}.`
        : `There are no numbers ${listed(holes)}.`,
    )
  const faces = new Map<string, Checked[]>()
  for (const outfit of outfits) {
    const face = faceOf(outfit)
    if (face) faces.set(face, [...(faces.get(face) ?? []), outfit])
  }
  for (const several of faces.values())
    if (new Set(several.map(({ characterId }) => characterId)).size > 1)
      add('faces', 'notice', several, `${names(several)} have the same face.`)
  const silent = outfits.filter(({ id }) => !entryOf.get(id)?.line.trim())
  if (silent.length > 0)
    add('line', 'notice', silent, `${names(silent)} ${silent.length === 1 ? 'has' : 'have'} no line of text.`)
  const waits = new Map<State, Checked[]>()
  for (const outfit of outfits)
    if (outfit.placements.length > 0 && STATES.indexOf(outfit.state) < STATES.indexOf('ready'))
      waits.set(outfit.state, [...(waits.get(outfit.state) ?? []), outfit])
  for (const [state, several] of waits)
    add('unready', 'notice', several, `Not ready, ${STATE_WORDS[state].counted}: ${names(several)}.`)
  return lacks.sort((a, b) => Number(a.severity === 'notice') - Number(b.severity === 'notice'))
}

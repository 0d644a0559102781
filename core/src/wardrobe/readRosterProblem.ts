import { MOST } from '../market/index.ts'
import { fieldReader, readLimits, readSupply } from '../sourcing/index.ts'
import type { RosterOutfit, RosterPair, RosterProblem } from './types.ts'

/**
 * Most thousandths of a point a score, a floor or a deduction may say: ten whole outfits. More than that, times what a point
 * is worth, is no number for a solver.
 */
const MOST_LIKENESS = 1e6

/**
 * Read an unknown value as a roster problem, filling in the defaults of the format. Throws BadProblem with the faults found:
 * those of a sourcing problem, slots without candidates, ids used twice, pairs of slots or candidates that are not there.
 */
export function readRosterProblem(value: unknown): RosterProblem {
  const reader = fieldReader()
  const { fault, object, list, text, number, unique, done } = reader
  const root = object(value, 'problem')
  if (root['format'] !== 'outfit.roster-problem') fault('format', 'must be "outfit.roster-problem"')
  if (root['version'] !== 1) fault('version', 'must be 1; a newer program is needed for other versions')
  const likeness = (given: unknown, at: string, otherwise?: number) =>
    number(given, at, { least: -MOST_LIKENESS, most: MOST_LIKENESS, ...(otherwise === undefined ? {} : { otherwise }) })
  const limits = root['limits'] === undefined ? {} : object(root['limits'], 'limits')
  const faces = limits['faces'] ?? null
  if (faces !== null && faces !== 'distinct') fault('limits.faces', 'must be "distinct" or null')
  const outfits = list(root['outfits'], 'outfits', (outfit, at): RosterOutfit => {
    const slots = list(outfit['slots'], `${at}.slots`, (slot, here) => {
      const candidates = list(slot['candidates'], `${here}.candidates`, (candidate, there) => ({
        id: text(candidate['id'], `${there}.id`),
        parts: list(
          candidate['parts'],
          `${there}.parts`,
          (entry, where) => ({
            part: text(entry['part'], `${where}.part`),
            qty: number(entry['qty'], `${where}.qty`, { least: 1, most: MOST.pack, otherwise: 1 }),
          }),
          true,
        ),
        score: likeness(candidate['score'], `${there}.score`),
        face:
          candidate['face'] === undefined || candidate['face'] === null
            ? null
            : text(candidate['face'], `${there}.face`),
      }))
      if (candidates.length === 0) fault(`${here}.candidates`, 'needs at least one candidate')
      unique(candidates, `${here}.candidates`)
      return { id: text(slot['id'], `${here}.id`), candidates }
    })
    unique(slots, `${at}.slots`)
    const choices = new Map(slots.map(({ id, candidates }) => [id, new Set(candidates.map((one) => one.id))]))
    const offOf = (entry: unknown, here: string, a: string, b: string): RosterPair['off'][number] => {
      if (!Array.isArray(entry) || entry.length !== 3) {
        fault(here, 'must be a list of two choices and what they take off')
        return ['', '', 0]
      }
      const [one, other] = [text(entry[0], `${here}[0]`), text(entry[1], `${here}[1]`)]
      for (const [slot, choice, i] of [
        [a, one, 0],
        [b, other, 1],
      ] as const)
        if (choice && choices.has(slot) && !choices.get(slot)!.has(choice))
          fault(`${here}[${i}]`, `slot "${slot}" has no candidate "${choice}"`)
      return [one, other, likeness(entry[2], `${here}[2]`)]
    }
    const pairs = list(
      outfit['pairs'],
      `${at}.pairs`,
      (pair, here): RosterPair => {
        const [a, b] = [text(pair['a'], `${here}.a`), text(pair['b'], `${here}.b`)]
        for (const [slot, name] of [
          [a, 'a'],
          [b, 'b'],
        ] as const)
          if (slot && !choices.has(slot)) fault(`${here}.${name}`, `there is no slot "${slot}"`)
        if (a && a === b) fault(`${here}.b`, 'must be another slot than a')
        const off = pair['off']
        if (!Array.isArray(off)) {
          fault(`${here}.off`, off === undefined ? 'is missing' : 'must be a list')
          return { a, b, off: [] }
        }
        return { a, b, off: off.map((entry: unknown, i) => offOf(entry, `${here}.off[${i}]`, a, b)) }
      },
      true,
    )
    return { id: text(outfit['id'], `${at}.id`), floor: likeness(outfit['floor'], `${at}.floor`, 0), slots, pairs }
  })
  const problem: RosterProblem = {
    format: 'outfit.roster-problem',
    version: 1,
    currency: text(root['currency'], 'currency'),
    worth: number(root['worth'], 'worth'),
    outfits,
    ...readSupply(reader, root),
    limits: { ...readLimits(reader, root, 20), faces: faces === 'distinct' ? 'distinct' : null },
  }
  unique(problem.outfits, 'outfits')
  done()
  return problem
}

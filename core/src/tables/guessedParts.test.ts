import { describe, expect, test } from '@jest/globals'
import { worldTable } from '../test/world.ts'
import { PartGuesser, type Corrections, type SparseRow } from './guessedParts.ts'
import type { Reject } from './readTable.ts'

const palette = worldTable('colours')
const moulds = worldTable('moulds')
const sparse = (name: string, more: Partial<SparseRow> = {}): SparseRow => ({
  code: 'X-1',
  name,
  mould: null,
  colours: [],
  print: null,
  year: null,
  ...more,
})
function run(rows: SparseRow[], corrections?: Corrections) {
  const rejects: Reject[] = []
  const guesser = new PartGuesser(palette, moulds, corrections)
  const filled = rows.map((row, i) => guesser.fill(row, i + 2, rejects))
  return { filled, rejects, groups: guesser.groups }
}

test('what is written is taken, by code or by name', () => {
  const { filled, groups, rejects } = run([sparse('Thing', { mould: 'close crop', colours: ['Tar', 'quay-blue'] })])
  expect(filled[0]!.part).toMatchObject({ mould: 'M-CROP', colours: ['tar', 'quay-blue'] })
  expect([groups, rejects]).toEqual([[], []])
})

test('what is left empty is guessed, and rows guessed alike are one group', () => {
  const { filled, groups } = run([
    sparse('Torso with jacket, red'),
    sparse('Torso with stripes, red', { code: 'X-2' }),
    sparse('Long oar, brown', { code: 'X-3' }),
  ])
  expect(filled.map((row) => row!.part.mould)).toEqual(['M-TORSO', 'M-TORSO', 'M-OAR'])
  expect(groups[0]).toMatchObject({ what: 'colour', words: 'red', count: 2 })
  expect(groups.find(({ words }) => words === 'torso')).toMatchObject({
    what: 'mould',
    code: 'M-TORSO',
    count: 2,
    examples: [
      { line: 2, name: 'Torso with jacket, red' },
      { line: 3, name: 'Torso with stripes, red' },
    ],
  })
})

test('a name that speaks of a print gets one without a recipe; a row that names its print keeps it', () => {
  const { filled } = run([
    sparse('Torso with jacket, red'),
    sparse('Torso with jacket, red', { print: 'D-OWN' }),
    sparse('Legs with tall boots, Slate'),
  ])
  expect(filled[0]).toMatchObject({
    part: { print: 'D-X-1' },
    print: { code: 'D-X-1', kind: 'torso', front: [], back: [], traits: { garment: 'jacket' } },
  })
  expect(filled[1]).toMatchObject({ part: { print: 'D-OWN' }, print: null })
  expect(filled[2]!.print!.kind).toBe('leg-left')
})

test('what cannot be guessed is rejected with its line and column, and stands as a group to be corrected', () => {
  const { filled, rejects, groups } = run([sparse('Gadget'), sparse('Hair, side parting', { colours: ['plaid'] })])
  expect(filled).toEqual([null, null])
  expect(rejects).toEqual([
    { line: 2, column: 'mould', reason: 'mould cannot be guessed from "Gadget"' },
    { line: 2, column: 'colours', reason: 'colours cannot be guessed from "Gadget"' },
    { line: 3, column: 'colours', reason: 'colours cannot be guessed from "plaid"' },
  ])
  expect(
    groups
      .filter(({ code }) => code === null)
      .map(({ what, words }) => `${what} ${words}`)
      .sort(),
  ).toEqual(['colour ', 'colour plaid', 'mould '])
})

describe('corrections', () => {
  test('go for all rows with the same words', () => {
    const { filled, rejects } = run([sparse('Gadget, plaid'), sparse('Widget', { colours: ['plaid'] })], {
      moulds: { '': 'M-MUG' },
      colours: { plaid: 'wine', '': 'tar' },
    })
    expect(rejects).toEqual([])
    expect(filled.map((row) => row!.part.mould)).toEqual(['M-MUG', 'M-MUG'])
    expect(filled.map((row) => row!.part.colours)).toEqual([['tar'], ['wine']])
  })

  test('win over a guess', () => {
    const { filled } = run([sparse('Long oar, red')], { moulds: { 'long oar': 'M-HOOK' }, colours: { red: 'wine' } })
    expect(filled[0]!.part).toMatchObject({ mould: 'M-HOOK', colours: ['wine'] })
  })
})

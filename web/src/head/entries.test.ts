import { describe, expect, test } from '@jest/globals'
import { answering, type Entry, type Group } from './entries.ts'

const entry = (name: string, about = ''): Entry => ({ to: `/${name}`, name, about })
const groups: Group[] = [
  { title: 'Outfits', entries: [entry('Odile, skipper', 'Ferry people'), entry('Odile at twelve'), entry('Bram')] },
  { title: 'Rooms', entries: [entry('Rosters', 'room'), entry('Parts', 'room')] },
  { title: 'Bins', entries: [entry('Hats', 'bin, 12 parts'), entry('Kästchen für Bärte', 'bin, 3 parts')] },
]
const found = (text: string, lately: Entry[] = []) =>
  answering(text, groups, lately, ['Rooms']).map(({ title, entries }) => [title, ...entries.map(({ name }) => name)])

describe('the palette', () => {
  test('shows what was chosen lately and the rooms where nothing is typed', () => {
    expect(found('')).toEqual([['Rooms', 'Rosters', 'Parts']])
    expect(found(' ', [entry('Bram')])).toEqual([
      ['Lately', 'Bram'],
      ['Rooms', 'Rosters', 'Parts'],
    ])
  })

  test('finds by beginnings of words, in any order, of the name and of what it is', () => {
    expect(found('skip od')).toEqual([['Outfits', 'Odile, skipper']])
    expect(found('ferry')).toEqual([['Outfits', 'Odile, skipper']])
    expect(found('dile')).toEqual([])
  })

  test('reads letters without their marks', () => {
    expect(found('bart')).toEqual([['Bins', 'Kästchen für Bärte']])
    expect(found('Bärte')).toEqual([['Bins', 'Kästchen für Bärte']])
  })

  test('puts the kind with the best answer first: what is called so before what is about it', () => {
    expect(found('parts').map(([title]) => title)).toEqual(['Rooms', 'Bins'])
  })

  test('of equals those chosen lately come first', () => {
    expect(found('odile')).toEqual([['Outfits', 'Odile, skipper', 'Odile at twelve']])
    expect(found('odile', [entry('Odile at twelve')])).toEqual([['Outfits', 'Odile at twelve', 'Odile, skipper']])
  })

  test('shows six of a kind', () => {
    const many: Group[] = [{ title: 'Bins', entries: Array.from({ length: 40 }, (_, i) => entry(`Bin ${i}`)) }]
    expect(answering('bin', many, [], [])[0]!.entries).toHaveLength(6)
  })
})

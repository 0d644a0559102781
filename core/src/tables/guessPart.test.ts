import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { worldTable } from '../test/world.ts'
import { guessMapping, guessTable } from './guessMapping.ts'
import { guessPart } from './guessPart.ts'
import { TABLES, columnsOf, type TableName } from './tables.ts'

const palette = worldTable('colours')
const moulds = worldTable('moulds')
const guess = (name: string) => guessPart(name, palette, moulds)

describe('kind and mould', () => {
  test.each([
    ['Hair, short, side parting', 'headgear', 'M-SIDE'],
    ['Two plaits with ribbons', 'headgear', 'M-PLAIT'],
    ['Oilskin hat', 'headgear', 'M-OILH'],
    ['Head with grin', 'head', 'M-HEAD'],
    ['Torso with striped jersey', 'torso', 'M-TORSO'],
    ['Left arm, short sleeve', 'arm-left', 'M-ARML'],
    ['Mitt', 'hand', 'M-HAND'],
    ['Hook hand', 'hand', 'M-HHOOK'],
    ['Flared skirt', 'lower', 'M-SKIRT'],
    ['Cork vest', 'neck', 'M-VEST'],
    ['Accordion', 'neck', 'M-ACCO'],
    ['Long oar', 'held', 'M-OAR'],
    ['Quay cat', 'beside', 'M-CAT'],
    ['Riser plate', 'feet', 'M-RISER'],
    ['Spray goggles', 'face', 'M-GOGG'],
  ])('%s is %s, %s', (name, kind, mould) => {
    expect([guess(name).kind, guess(name).mould]).toEqual([kind, mould])
  })

  test('every mould of the sample world is known again by its own name', () => {
    const missed = moulds.filter(({ name, code, kind }) => {
      const found = guess(name)
      // Legs and arms of three lengths share their words; the kind is what their name can tell.
      return found.mould !== code && found.kind !== kind
    })
    expect(missed.map(({ name }) => `${name}: ${guess(name).kind}`)).toEqual([])
  })

  test('a name that says nothing is not guessed', () => {
    expect(guess('Gadget 12')).toMatchObject({ kind: null, mould: null, mouldWords: '', colours: [], printed: false })
  })
})

describe('colours, traits and print', () => {
  test('colours come in the order they are named', () => {
    expect(guess('Jacket torso, dark blue with brass buttons').colours.map(({ words }) => words)).toEqual([
      'dark blue',
      'brass',
    ])
  })

  test('garment words become traits', () => {
    expect(guess('Torso, coat with short sleeves').traits).toMatchObject({
      garment: 'coat',
      runsOn: 'coat',
      sleeve: 'short',
    })
    expect(guess('Head with beard and glasses, old style').traits).toMatchObject({
      beard: 'full',
      glasses: 'yes',
      style: 'old',
    })
  })

  test('a print is spoken of only where words of one are there; a head has a face unless it is plain', () => {
    expect(guess('Torso with jacket').printed).toBe(true)
    expect(guess('Torso').printed).toBe(false)
    expect(guess('Head').printed).toBe(true)
    expect(guess('Head, plain').printed).toBe(false)
    expect(guess('Legs with tall boots').printed).toBe(true)
    expect(guess('Long oar').printed).toBe(false)
  })
})

test('any text is guessed at without a fault, always alike', () => {
  fc.assert(fc.property(fc.string({ unit: 'binary' }), (name) => expect(guess(name)).toEqual(guess(name))))
})

describe('columns', () => {
  test('our own headers map to themselves, for every table', () => {
    for (const table of Object.keys(TABLES) as TableName[]) {
      const names = columnsOf(table).map(({ name }) => name)
      expect(guessMapping(table, names)).toEqual(Object.fromEntries(names.map((name) => [name, name])))
      expect(guessTable(`${table}.csv`, names)).toBe(table)
    }
  })

  test('other words, spaces and capitals are understood', () => {
    expect(guessMapping('parts', ['Item No', 'Description', 'Color', 'Year released'])).toEqual({
      code: 'Item No',
      name: 'Description',
      colours: 'Color',
      year: 'Year released',
    })
  })

  test('a header stands for one column only', () => {
    const mapping = guessMapping('owned', ['Item', 'Quantity'])
    expect(new Set(Object.values(mapping)).size).toBe(Object.keys(mapping).length)
  })

  test('a list of names is one of parts; what is like nothing is no table', () => {
    expect(guessTable('my list.csv', ['Item No', 'Description', 'Color', 'Since'])).toBe('parts')
    expect(
      guessTable('export.csv', ['Seller', 'Item', 'Kind', 'Price', 'Currency', 'Stock', 'Date', 'Condition']),
    ).toBe('offers')
    expect(guessTable('weather.csv', ['wind', 'rain'])).toBeNull()
  })
})

import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { CONNECTIONS, COVERS, FINISHES, PART_KINDS, SLOTS } from '../catalogue/index.ts'
import { worldTable } from '../test/world.ts'
import { readTable } from './readTable.ts'
import { TABLES, type TableName, type TableRow } from './tables.ts'
import { asWritten, writeCsv, writeTable } from './writeCsv.ts'

const again = <T extends TableName>(table: T, rows: readonly TableRow<T>[]) => readTable(table, writeTable(table, rows))

describe('import after export is identity', () => {
  test.each(Object.keys(TABLES) as TableName[])('%s of the sample world', (table) => {
    const rows = worldTable(table)
    const { rows: read, rejects } = again(table, rows)
    expect(rejects).toEqual([])
    expect(read.map(({ row }) => row)).toEqual(rows)
  })

  /** Text a cell can hold: without space at its ends, which reading takes off, and not empty. */
  const cellText = fc
    .string({ unit: 'grapheme', minLength: 1 })
    .map((text) => text.trim())
    .filter((text) => text !== '' && !text.includes('\uFEFF'))
  const key = fc.stringMatching(/^[a-z]{1,8}$/)
  const traits = fc.dictionary(key, fc.stringMatching(/^[a-z0-9][a-z0-9 ]{0,8}[a-z0-9]$/), { noNullPrototype: true })

  test('names that look like formulas, quotes, separators and line breaks', () => {
    const row = fc.record({
      code: cellText,
      name: cellText,
      hex: fc.stringMatching(/^#[0-9A-F]{6}$/),
      family: cellText,
      finish: fc.constantFrom(...FINISHES),
    })
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 6 }), (rows) => {
        const { rows: read, rejects } = again('colours', rows)
        expect(rejects).toEqual([])
        expect(read.map((one) => one.row)).toEqual(rows)
      }),
    )
  })

  test('whatever a spreadsheet would run gets an apostrophe, however it is hidden', () => {
    const formulas = [
      '=1+1',
      '+1',
      '-1',
      '@a',
      '\n=1',
      ' =1',
      '\u00A0=1',
      '\uFF1D1',
      "'=1",
      '\t=1',
      '\uFF20a',
      ' \n +1',
    ]
    for (const text of formulas) {
      const csv = writeCsv(['a'], [[text]])
      expect(csv.slice(csv.indexOf('\n') + 1).replace(/^"/, '')).toMatch(/^'/)
      expect(asWritten(`'${text}`)).toBe(text)
    }
    for (const text of ['a=1', '1-2', "it's", '']) expect(writeCsv(['a'], [[text]])).toBe(`a\n${text}\n`)
  })

  test('numbers, lists and traits of moulds', () => {
    const row = fc.record({
      code: key,
      name: cellText,
      kind: fc.constantFrom(...PART_KINDS),
      silhouette: key,
      neckThickness: fc.double({ min: 0, max: 20, noNaN: true, noDefaultInfinity: true }).map(Math.abs),
      height: fc.nat({ max: 90 }),
      mass: fc.nat({ max: 300 }),
      connections: fc.subarray([...CONNECTIONS]),
      covers: fc.subarray([...COVERS]),
      traits,
    })
    fc.assert(fc.property(row, (mould) => expect(again('moulds', [mould]).rows[0]!.row).toEqual(mould)))
  })

  test('what is optional may be nothing', () => {
    const row = fc.record({
      assembly: key,
      slot: fc.constantFrom(...SLOTS),
      part: key,
      level: fc.option(fc.nat({ max: 5 })),
    })
    fc.assert(fc.property(row, (component) => expect(again('components', [component]).rows[0]!.row).toEqual(component)))
  })
})

const binNamed = (name: string) => ({
  code: 'B1',
  name,
  figure: null,
  parent: null,
  x: null,
  y: 3,
  w: null,
  h: null,
  holder: null,
})

test('no cell of an export begins with what a spreadsheet would run', () => {
  fc.assert(
    fc.property(fc.constantFrom('=', '+', '-', '@', '\t', '\r'), fc.string(), (sign, text) => {
      const csv = writeTable('bins', [binNamed(`${sign}${text}`)])
      const cell = csv.slice(csv.indexOf('B1,') + 3).replace(/^"/, '')
      expect(cell.startsWith("'")).toBe(true)
    }),
  )
})

test('an apostrophe that is the text’s own stays', () => {
  expect(asWritten("'twas")).toBe("'twas")
  for (const name of ["'=1+1", "''=1", "'", "'plain'"])
    expect(again('bins', [binNamed(name)]).rows[0]!.row.name).toBe(name)
})

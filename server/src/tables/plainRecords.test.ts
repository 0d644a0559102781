import { expect, test } from '@jest/globals'
import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { CSV_OPTIONS } from '@outfit/core/tables'
import { needsReader, plainRecords, recordsOf } from './plainRecords.ts'

async function* inPieces(text: string, size: number) {
  for (let at = 0; at < text.length; at += size) yield text.slice(at, at + size)
}

test('tables without quotes are read as csv-parse reads them, in whatever pieces they come', async () => {
  const cell = fc.string({ unit: fc.constantFrom('a', 'é', '7', ' ', '-', '.', '\t'), maxLength: 5 })
  const line = fc.array(cell, { maxLength: 4 }).map((cells) => cells.join(';'))
  await fc.assert(
    fc.asyncProperty(
      fc.array(line, { minLength: 1, maxLength: 8 }),
      fc.boolean(),
      fc.boolean(),
      fc.integer({ min: 1, max: 9 }),
      async (rows, bom, ended, size) => {
        const text = (bom ? '\uFEFF' : '') + rows.join('\n') + (ended ? '\n' : '')
        const read = []
        for await (const one of plainRecords(inPieces(text, size), ';')) read.push(one)
        const expected = parse(text, { ...CSV_OPTIONS, delimiter: ';' }) as unknown as {
          record: string[]
          info: { lines: number }
        }[]
        const wanted = expected.map(({ record, info }) => ({ record, info: { lines: info.lines } }))
        expect(read).toEqual(wanted)
        // At once the delimiter is guessed from the header.
        if (text.split('\n')[0]!.includes(';')) expect(recordsOf(text)).toEqual(wanted)
      },
    ),
    { numRuns: 500 },
  )
})

test('a table with quotes is read at once as well', () => {
  expect(recordsOf('a,b\r\n"1,5",2\r\n').map(({ record }) => record)).toEqual([
    ['a', 'b'],
    ['1,5', '2'],
  ])
  expect(() => recordsOf('a,b\n"1,2\n')).toThrow('Quote')
})

test('quotes and other line ends need a reader', () => {
  const bytes = (text: string) => new TextEncoder().encode(text)
  expect(needsReader(bytes('a,b\n1,2\n'))).toBe(false)
  expect(needsReader(bytes('a,b\n"1",2\n'))).toBe(true)
  expect(needsReader(bytes('a,b\r\n1,2\r\n'))).toBe(true)
})

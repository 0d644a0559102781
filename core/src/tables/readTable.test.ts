import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readTable } from './readTable.ts'
import { writeCsv } from './writeCsv.ts'

const reasons = (table: Parameters<typeof readTable>[0], csv: string) =>
  readTable(table, csv).rejects.map(({ line, column, reason }) => `${line} ${column}: ${reason}`)

const COLOURS = 'code,name,hex,family,finish'

describe('reading', () => {
  test('rows come with the line they stand on, whatever the order of columns', () => {
    const { rows, rejects } = readTable(
      'colours',
      'name,code,finish,family,hex\nTar,tar,solid,black,#1b1a1f\n\nOat,oat,solid,white,#E9E0C8\n',
    )
    expect(rejects).toEqual([])
    expect(rows).toEqual([
      { line: 2, row: { code: 'tar', name: 'Tar', hex: '#1B1A1F', family: 'black', finish: 'solid' } },
      { line: 4, row: { code: 'oat', name: 'Oat', hex: '#E9E0C8', family: 'white', finish: 'solid' } },
    ])
  })

  test('a mapping names the columns of the file', () => {
    const csv = 'key,title\nB1,Hats'
    expect(readTable('bins', csv, { code: 'key', name: 'title' }).rows[0]!.row).toMatchObject({
      code: 'B1',
      name: 'Hats',
      figure: null,
      parent: null,
      x: null,
    })
  })

  test('quotes, line breaks in cells and a byte order mark are taken', () => {
    const { rows } = readTable('bins', '\uFEFFcode,name\nB1,"Hats, ""best""\nof all"\nB2,Hair')
    expect(rows.map(({ line, row }) => [line, row.name])).toEqual([
      [3, 'Hats, "best"\nof all'],
      [4, 'Hair'],
    ])
  })
})

describe('rejecting', () => {
  test('a missing column rejects the file and names it', () => {
    expect(reasons('bins', 'code\nB1')).toEqual(['1 name: the file has no column "name"'])
    expect(reasons('bins', '')).toEqual([
      '1 code: the file has no column "code"',
      '1 name: the file has no column "name"',
    ])
  })

  test('a broken quote is told as no CSV', () => {
    expect(reasons('bins', 'code,name\nB1,"Hats')[0]).toMatch(/the file is not CSV/)
  })

  test.each([
    ['colours', `${COLOURS}\ntar,Tar,black,black,solid`, '2 hex: hex "black" is not a colour as #RRGGBB'],
    [
      'colours',
      `${COLOURS}\ntar,Tar,#000000,black,shiny`,
      '2 finish: finish "shiny" is not one of solid, clear, metal, pearl, glow',
    ],
    ['colours', `${COLOURS}\n,Tar,#000000,black,solid`, '2 code: code is empty'],
    ['colours', `${COLOURS}\ntar,Tar`, '2 null: has 2 cells, the header has 5'],
    ['owned', 'part,bin,qty,date,reason\nP,B,-2,2026-01-01,x', '2 qty: qty -2 is below 1'],
    [
      'owned',
      'part,bin,qty,date,reason\nP,B,9007199254740991,2026-01-01,x',
      '2 qty: qty 9007199254740991 is above 1000000',
    ],
    ['owned', 'part,bin,qty,date,reason\nP,B,1,2026-02-30,x', '2 date: date "2026-02-30" is not a date as YYYY-MM-DD'],
    [
      'owned',
      'part,bin,qty,date,reason\nP,B,1,2026-02-28,be\u0007ll',
      '2 reason: reason has control characters, which no text has; type it again',
    ],
    [
      'sellers',
      'code,name,country,currency,minimum,handling,arrivesInDays,rating,shippingBasis,shippingBands\ns,S,Here,EUR,100000001,0,3,5,value,any=0',
      '2 minimum: minimum 100000001 is above 100000000',
    ],
    [
      'sellers',
      'code,name,country,currency,minimum,handling,arrivesInDays,rating,shippingBasis,shippingBands\ns,S,Here,EUR,1,0,3,100000000000,value,any=0',
      '2 rating: rating 100000000000 is above 5',
    ],
    ['owned', 'part,bin,qty,date,reason\nP,B,two,2026-01-01,x', '2 qty: qty "two" is not a whole number'],
    [
      'owned',
      'part,bin,qty,date,reason\nP,B,1,2026-02-31x,x',
      '2 date: date "2026-02-31x" is not a date as YYYY-MM-DD',
    ],
    [
      'rates',
      'date,from,to,rate\n2026-01-01,EUR,pound,1',
      '2 to: to "pound" is not a currency of three capital letters',
    ],
    ['rates', 'date,from,to,rate\n2026-01-01,EUR,GBP,0', '2 rate: rate 0 is below 0.000001'],
    ['parts', 'code,name,mould,colours,print,year\nP,Hat,M,;,,', '2 colours: colours is empty'],
    [
      'prints',
      'code,name,kind,front,back,traits\nD,Face,head,{},[],',
      '2 front: front is not a list of layers with a kind',
    ],
    ['prints', 'code,name,kind,front,back,traits\nD,Face,head,[[,[],', '2 front: front is not JSON'],
    [
      'prints',
      'code,name,kind,front,back,traits\nD,Face,head,[],[],bold',
      '2 traits: traits "bold" is not a trait as key=value',
    ],
  ] as const)('%s: %s', (table, csv, expected) => {
    expect(reasons(table, csv)).toEqual([expected])
  })

  test('shipping bands must rise and end where they end', () => {
    const header = 'code,name,country,currency,minimum,handling,arrivesInDays,rating,shippingBasis,shippingBands'
    const row = (bands: string) => `${header}\ns,S,C,EUR,0,0,3,,value,${bands}`
    expect(readTable('sellers', row('100=5;any=0')).rows[0]!.row.shippingBands).toEqual([
      { upTo: 100, price: 5 },
      { upTo: null, price: 0 },
    ])
    for (const [bands, fault] of [
      ['100=5;50=3', 'a band up to 50 that overlaps the one up to 100 before it'],
      ['any=0;100=5', 'a band after "any", which holds everything'],
      ['100=5;100=3', 'two bands up to 100'],
    ])
      expect(reasons('sellers', row(bands!))).toEqual([`2 shippingBands: shippingBands has ${fault}`])
    expect(reasons('sellers', row(''))[0]).toContain('shippingBands is empty')
  })

  test('prices are not negative, and currencies are ones people pay in', () => {
    const header = 'date,seller,kind,code,condition,price,currency,stock,multiple'
    const row = (price: string, currency: string) => `${header}\n2026-11-23,s,part,P,new,${price},${currency},1,1`
    expect(reasons('offers', row('-5', 'EUR'))[0]).toMatch(/^2 price: price /)
    expect(reasons('offers', row('5', 'XQX'))).toEqual(['2 currency: currency "XQX" is no currency anybody pays in'])
    expect(reasons('offers', row('5', 'eur'))[0]).toContain('three capital letters')
  })

  test('good rows are read beside bad ones', () => {
    const { rows, rejects } = readTable('bins', 'code,name\nB1,Hats\n,Hair\nB3,Legs')
    expect(rows.map(({ row }) => row.code)).toEqual(['B1', 'B3'])
    expect(rejects).toEqual([{ line: 3, column: 'code', reason: 'code is empty' }])
  })
})

describe('writing', () => {
  test('what is written is read back the same', () => {
    const cell = fc
      .string({ minLength: 1, maxLength: 12 })
      .filter((text) => text.trim() === text && !/^[=+\-@\t\r]/.test(text) && text !== '')
    fc.assert(
      fc.property(fc.uniqueArray(cell, { minLength: 1, maxLength: 6 }), (names) => {
        const csv = writeCsv(
          ['code', 'name'],
          names.map((name, i) => [`B${i}`, name]),
        )
        expect(readTable('bins', csv).rows.map(({ row }) => row.name)).toEqual(names)
      }),
    )
  })

  test('cells a spreadsheet would run are made harmless, numbers stay', () => {
    expect(
      writeCsv(
        ['a', 'b'],
        [
          ['=SUM(A1)', -5],
          ['@x', null],
        ],
      ),
    ).toBe("a,b\n'=SUM(A1),-5\n'@x,\n")
  })
})

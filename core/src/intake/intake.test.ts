import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import {
  delimiterIn,
  matchColour,
  matchPart,
  newColour,
  readAmount,
  readCondition,
  readCount,
  readDate,
  readList,
  sheetOf,
  whoseIn,
  type Answer,
  type Choices,
  type KnownThings,
} from './index.ts'

const known: KnownThings = { palette: STARTER_COLOURS, moulds: STARTER_MOULDS, parts: [], bins: [], sellers: [] }
const read = (text: string, choices: Choices = {}, things = known, name = 'list.csv') =>
  readList(sheetOf(text), name, things, choices)
/** A row in few words. */
const told = ({ rows }: ReturnType<typeof read>) =>
  rows.map(({ part, count, bin, price, condition }) =>
    [part.mould, part.colour, count, bin, price && `${price.currency} ${price.minor}`, condition]
      .filter((one) => one !== null)
      .join(' '),
  )

describe('cells as people write them', () => {
  test.each([
    ['1,20 €', ',', 'EUR 120'],
    ['EUR 1.20', '.', 'EUR 120'],
    ['£3', '.', 'GBP 300'],
    ['1.234,50', ',', 'EUR 123450'],
    ['1,234.50', '.', 'EUR 123450'],
    ["1'234.50 CHF", '.', 'CHF 123450'],
    ['1 234,50 zł', ',', 'PLN 123450'],
    ['1.234', ',', 'EUR 123400'],
    ['1.234', '.', 'EUR 123'],
    ['¥120', '.', 'JPY 120'],
    ['45p', '.', 'GBP 45'],
    ['80 ct', ',', 'EUR 80'],
    ['5 centimes', ',', 'EUR 5'],
    ['90 céntimos', ',', 'EUR 90'],
    ['0,5', ',', 'EUR 50'],
    ['3,- €', ',', 'EUR 300'],
    ['2 € / Stk', ',', 'EUR 200'],
    ['', ',', null],
    ['gratis', ',', null],
    ['1,2,3', ',', null],
    ['31.02.2026', '.', null],
    ['-4', ',', null],
  ] as const)('amount %j with %s is %s', (text, decimal, expected) => {
    const amount = readAmount(text, { decimal, currency: 'EUR' })
    expect(amount && `${amount.currency} ${amount.minor}`).toBe(expected)
  })

  test.each([
    ['3', 3],
    ['12 Stk.', 12],
    ['2x', 2],
    ['x 4', 4],
    ['3 szt.', 3],
    ['1.0', 1],
    ['1.000', 1000],
    ['5 pièces', 5],
    ['zwei', 2],
    ['Two pcs.', 2],
    ['pięć sztuk', 5],
    ['ein Dutzend', 12],
    ['a few', null],
    ['twenty', null],
    ['oneself', null],
    ['3 Kisten', null],
  ])('count %j is %s', (text, expected) => expect(readCount(text)).toBe(expected))

  test.each([
    ['01.11.2026', true, '2026-11-01'],
    ['11/01/2026', false, '2026-11-01'],
    ['11/26', true, '2026-11-01'],
    ['2026-11-03 10:20', true, '2026-11-03'],
    ['13/02/2026', false, '2026-02-13'],
    ['3. März 2025', true, '2025-03-03'],
    ['listopad 2024', true, '2024-11-01'],
    ['31.02.2026', true, null],
    ['soon', true, null],
  ])('date %j (day first: %s) is %s', (text, dayFirst, expected) => expect(readDate(text, dayFirst)).toBe(expected))

  test.each([
    ['neu', 'new'],
    ['gebraucht', 'used'],
    ["d'occasion", 'used'],
    ['używany', 'used'],
    ['Nuevo', 'new'],
    ['vielleicht', null],
    ['gebr.', 'used'],
    ['wie neu', 'used'],
    ['like new, boxed', 'used'],
    ['comme neuf', 'used'],
    ['brand new', 'new'],
    ['second hand, good', 'used'],
    ['Ungebr.', 'new'],
    ['usag.', 'used'],
    ['un', null],
    ['not bad', null],
  ])('condition %j is %s', (text, expected) => expect(readCondition(text)).toBe(expected))

  test('an amount written with any signs is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom(',', '.'),
        fc.boolean(),
        (minor, decimal, grouped) => {
          const whole = String(Math.floor(minor / 100))
          const groups = grouped ? whole.replace(/\B(?=(\d{3})+$)/g, decimal === ',' ? '.' : ',') : whole
          const text = `${groups}${decimal}${String(minor % 100).padStart(2, '0')}`
          expect(readAmount(text, { decimal, currency: 'EUR' })?.minor).toBe(minor)
        },
      ),
    )
  })
})

describe('words of many languages', () => {
  test.each([
    ['blau', 'quay-blue'],
    ['dunkelrot', 'wine'],
    ['noir', 'tar'],
    ['Quay Blue', 'quay-blue'],
    ['biały', 'chalk'],
    ['transparent blau', 'clear-tide'],
    ['#24527F', 'quay-blue'],
    ['hautfarben', 'fawn'],
  ])('colour %j is %s', (text, expected) => expect(matchColour(text, STARTER_COLOURS).code).toBe(expected))

  test.each([
    ['Schirmmütze mit Abzeichen', 'headgear'],
    ['Kopf Sommersprossen', 'head'],
    ['Beine kurz', 'leg-pair'],
    ['Jambes courtes noires', 'leg-pair'],
    ['Chapeau de paille', 'headgear'],
    ['Brazo derecho', 'arm-right'],
    ['Spódnica', 'lower'],
    ['Laterne', 'held'],
    ['Umhang', 'neck'],
    ['Saco', null],
    ['Haare kurz', 'headgear'],
  ])('part %j is %s', (text, expected) => {
    const { mould } = matchPart(text, STARTER_COLOURS, STARTER_MOULDS)
    const kind = STARTER_MOULDS.find(({ code }) => code === mould)?.kind ?? null
    expect(kind).toBe(expected)
  })
})

test.each([
  ['Pullover Torso, dunkelrot', 'dunkelrot'],
  ['Torso plain, dark red', 'dark red'],
  ['Beine dunkel blau', 'dunkel blau'],
  ['Legs light grey', 'light grey'],
  ['Jambes bleu clair', 'bleu clair'],
  ['Kopf mit hellem Lachen', null],
  ['Beine rot', 'rot'],
])('the colour of %j is said by %j', (text, words) => {
  expect(matchPart(text, [], STARTER_MOULDS).colourWords).toBe(words)
})

test('a colour made of words for skin is of the family rules ask for; others are of the nearest', () => {
  const family = (words: string, hex: string) => newColour(words, hex, STARTER_COLOURS).family
  expect(['Haut olivfarben', 'light flesh', 'peau mate'].map((words) => family(words, '#B98A5E'))).toEqual([
    'skin',
    'skin',
    'skin',
  ])
  expect(family('Wurzelbraun', '#6B4226')).toBe('brown')
})

test.each([
  ['Zylinder', 'headgear'],
  ['Halstuch rot', 'neck'],
  ['Hund', 'beside'],
  ['Top hat (black)', 'headgear'],
  ['brown horse', 'beside'],
  ['Ailes', 'neck'],
  ['Fondina', 'waist'],
  ['Fernglas', 'held'],
])('%j, a shape of its own, is worn as %s', (text, worn) => {
  expect(matchPart(text, STARTER_COLOURS, STARTER_MOULDS)).toMatchObject({ mould: null, worn })
})

test('short and long hair are the shapes that are so', () => {
  const name = (words: string) => {
    const { mould } = matchPart(words, STARTER_COLOURS, STARTER_MOULDS)
    return STARTER_MOULDS.find(({ code }) => code === mould)?.name
  }
  expect(['Haare kurz', 'Hair short', 'Haare lang', 'Haare lockig'].map(name)).toEqual([
    'Close crop',
    'Close crop',
    'Long and straight',
    'Loose curls',
  ])
})

test.each([
  ['Preise Lotte 11-2026.csv', 'Lotte'],
  ['preisliste_hafenladen.txt', 'Hafenladen'],
  ['Tidewater Bits price list (new).xlsx', 'Tidewater Bits'],
  ['cennik-Żabka 2026.ods', 'Żabka'],
  ['liste de prix chez Margot.csv', 'Margot'],
  ['hafenladen & söhne.csv', 'Hafenladen & Söhne', ['Hafenladen & Söhne']],
  ['preise.csv', ''],
  ['prices Old Quay Bricks (Nov).csv', 'Old Quay Bricks'],
  ['Angebot_Nov.csv', ''],
  ['export_2026-11-03.csv', ''],
  ['Pasted 30/11/2026, 18:20:11', ''],
])('prices of %j are those of %j', (file, whose, sellers: string[] = []) => {
  const known = sellers.map((name) => ({ name }))
  expect(whoseIn(file, known)).toBe(whose)
})

describe('lists', () => {
  test('a German one with semicolons, cents after commas, and boxes', () => {
    const list = read(
      `Meine Teile;;;;;
Bezeichnung;Farbe;Anzahl;Kiste;Preis;Zustand
Schirmmütze;blau;3;Kiste 2;1,20 €;neu
Kopf Sommersprossen;hell;2 Stk.;Kiste 1;;
Beine kurz;dunkelrot;1;Kiste 5;0,80;gebraucht
`,
      {},
      known,
      'bestand.csv',
    )
    expect(list.kind).toBe('owned')
    expect(list.columns.map(({ field }) => field)).toEqual(['name', 'colour', 'count', 'bin', 'price', 'condition'])
    expect(list.faults).toEqual([])
    expect(told(list)).toEqual([
      expect.stringMatching(/^M-\w+ quay-blue 3 B-kiste-2 EUR 120 new$/),
      expect.stringMatching(/^M-HEAD [\w-]+ 2 B-kiste-1$/),
      'M-PAIRS wine 1 B-kiste-5 EUR 80 used',
    ])
    expect(list.unknown.filter(({ what }) => what === 'bin').map(({ words }) => words)).toEqual([
      'Kiste 1',
      'Kiste 2',
      'Kiste 5',
    ])
  })

  test('a French price list with tabs and a seller', () => {
    const list = read(
      'Pièce\tCouleur\tPrix unitaire\tQté\tVendeur\tÉtat\nTorse\trouge\t2,50\t4\tLa Malle\toccasion\nCasque\tgris\t0,90\t10\tLa Malle\tneuf\n',
      {},
      known,
      'prix.txt',
    )
    expect(list.kind).toBe('prices')
    expect(list.rows.map(({ seller, price, count, condition }) => [seller, price!.minor, count, condition])).toEqual([
      ['s-la-malle', 250, 4, 'used'],
      ['s-la-malle', 90, 10, 'new'],
    ])
  })

  test('one without heads is read from what stands in it', () => {
    const list = read('Torso;red;2\nHead;Fawn;1\nLegs;black;4\n')
    expect(list.headed).toBe(false)
    expect(list.columns.map(({ field }) => field)).toEqual(['name', 'colour', 'count'])
    expect(told(list)).toEqual(['M-TORSO poppy 2', 'M-HEAD fawn 1', 'M-PAIRF tar 4'])
  })

  test('a word that is also a count makes no column of counts', () => {
    const list = read('Torse;rouge;2;neuf\nTête;beige;1;neuf\nJambes;noir;4;occasion\n')
    expect(list.columns.map(({ field }) => field)).toEqual(['name', 'colour', 'count', 'condition'])
    expect(list.rows.map(({ count, condition }) => [count, condition])).toEqual([
      [2, 'new'],
      [1, 'new'],
      [4, 'used'],
    ])
  })

  test('faults name their line and field, and the rest is read', () => {
    const list = read('name,colour,qty,date\nTorso,red,some,\nHead,Fawn,1,31.02.2026\n,red,1,\nLegs,black,1,\n')
    expect(list.faults).toEqual([
      { line: 2, field: 'count', reason: '"some" is no count' },
      { line: 4, field: 'name', reason: 'says no part' },
    ])
    expect(told(list)).toEqual(['M-HEAD fawn 1', 'M-PAIRF tar 1'])
  })

  test('no number is made up: nothing of a new part is left out, less than a pack is a fault, none of a known one stays', () => {
    const owner = {
      ...known,
      parts: [
        {
          code: 'P-1',
          name: 'Torso',
          mould: 'M-TORSO',
          colours: ['poppy'],
          print: null,
          year: null,
          photo: null,
          components: [],
        },
      ],
    }
    const list = read(
      'name;colour;qty;price;pack of\nTorso;red;0;1,00;1\nHead;fawn;0;1,00;1\nLegs;black;3;1,00;10\n',
      { kind: 'prices', same: { seller: 'Lotte' } },
      owner,
    )
    expect(list.rows.map(({ part, count }) => [part.code, count])).toEqual([['P-1', 0]])
    expect(list.left).toEqual([3])
    expect(list.faults).toEqual([{ line: 4, field: 'count', reason: '3 is less than one pack of 10' }])
  })

  test('amounts without a sign are in the money of the seller, unless a cell or somebody says otherwise', () => {
    const market = { ...known, sellers: [{ code: 'lamp', name: 'Lamp Lane', currency: 'GBP' }] }
    const text = 'name;colour;price\nTorso;red;1.20\nHead;fawn;€0.50\n'
    const paid = (choices: Choices) =>
      read(text, { kind: 'prices', same: { seller: 'Lamp Lane' }, ...choices }, market).rows.map(
        ({ price }) => price!.currency,
      )
    expect(paid({})).toEqual(['GBP', 'EUR'])
    expect(paid({ style: { currency: 'PLN' } })).toEqual(['PLN', 'EUR'])
  })

  test('words that are too long are faults by their field, signs for printers are none', () => {
    const list = read(`name;colour;qty;box\nTorso\u0007;red;1;${'b'.repeat(81)}\nTo\u0007rso;red;2;Box 1\n`)
    expect(list.faults).toEqual([{ line: 2, field: 'bin', reason: 'is longer than 80 characters' }])
    expect(list.rows.map(({ part }) => part.name)).toEqual(['To rso'])
  })

  test('a price list is of whom its file is called by, unless somebody says otherwise', () => {
    const prices = (choices: Choices) =>
      read('Teil;Farbe;Preis\nTorso;rot;1,20\n', choices, known, 'Preise Lotte 11-2026.csv')
    expect(prices({})).toMatchObject({ kind: 'prices', whose: 'Lotte', rows: [{ seller: 's-lotte' }] })
    expect(prices({ same: { seller: 'Rudi' } })).toMatchObject({ whose: 'Rudi', rows: [{ seller: 's-rudi' }] })
    expect(prices({ same: { seller: '' } })).toMatchObject({ whose: '', rows: [{ seller: null }] })
  })

  test('a condition nobody knows is asked once and its rows stay: as a remark, or as what somebody says it is', () => {
    const text = 'name,colour,qty,condition\nTorso,red,1,wie gestern\nHead,fawn,1,new\nLegs,black,1,wie gestern\n'
    const first = read(text)
    const [asked] = first.unknown.filter(({ what }) => what === 'condition')
    expect(asked).toMatchObject({
      words: 'wie gestern',
      rows: 2,
      candidates: ['new', 'used'],
      answer: { make: 'remark' },
    })
    expect(first.faults).toEqual([])
    expect(first.rows.map(({ condition, remark }) => [condition, remark])).toEqual([
      [null, 'condition: wie gestern'],
      ['new', ''],
      [null, 'condition: wie gestern'],
    ])
    const said = (answer: Answer) => read(text, { answers: { [asked!.key]: answer } })
    expect(said({ take: 'used' }).rows.map(({ condition, remark }) => [condition, remark])[0]).toEqual(['used', ''])
    expect(said({ leave: true })).toMatchObject({ left: [2, 4], rows: [{ line: 3 }] })
  })

  test('a date, or a price that was paid, that cannot be read keeps nothing from coming in: it is told, and stays as a remark', () => {
    const text = 'name,colour,qty,bin,paid,bought on\nTorso,red,1,A,some,31.02.2026\nHead,Fawn,1,A,1.20,1.2.2026\n'
    const list = read(text)
    expect(list.faults).toEqual([])
    expect(list.aside).toEqual([
      { line: 2, field: 'price', reason: '"some" is no amount' },
      { line: 2, field: 'date', reason: '"31.02.2026" is no date' },
    ])
    expect(list.rows.map(({ price, date, remark }) => [price?.minor ?? null, date, remark])).toEqual([
      [null, null, 'paid: some; bought on: 31.02.2026'],
      [120, '2026-02-01', ''],
    ])
    // What a seller asks has to be known.
    const asked = read('Teil;Farbe;Preis\nTorso;rot;bald\nKopf;beige;0,80\n', {}, known, 'preise.csv')
    expect([asked.kind, asked.aside, asked.faults.map(({ field }) => field)]).toEqual(['prices', [], ['price']])
  })

  test('what has no column goes to the remarks', () => {
    const [row] = read('name,colour,qty,Wackelt,Herkunft\nTorso,red,1,ja,Flohmarkt\n').rows
    expect(row!.remark).toBe('Wackelt: ja; Herkunft: Flohmarkt')
  })

  test('unknown words are asked once, with how many rows say them, and an answer goes for all', () => {
    const text = 'name,colour,qty\nTorso,Wurzelbraun hell,1\nHead,fawn,1\nTorso,Wurzelbraun hell,3\nZwirbel,red,1\n'
    const first = read(text)
    const [colour] = first.unknown.filter(({ what }) => what === 'colour')
    expect(colour).toMatchObject({ key: 'colour wurzelbraun hell', rows: 2, lines: [2, 4], settled: false })
    const [part] = first.unknown.filter(({ what }) => what === 'part')
    expect(part).toMatchObject({ words: 'Zwirbel', rows: 1, answer: { make: 'held' } })
    expect(first.rows.at(-1)!.part.mould).toBe('M-own-zwirbel')
    const second = read(text, { answers: { [colour!.key]: { take: 'rope' }, [part!.key]: { take: 'M-OAR' } } })
    expect(told(second)).toEqual(['M-TORSO rope 1', 'M-HEAD fawn 1', 'M-TORSO rope 3', 'M-OAR poppy 1'])
  })

  test('stray quotes and odd rows are mended and told', () => {
    const { rows, mended } = sheetOf('name;colour\nHat 3" wide;red\nHead;fawn;extra\n')
    expect(rows.map(({ cells }) => cells)).toEqual([
      ['name', 'colour'],
      ['Hat 3" wide', 'red'],
      ['Head', 'fawn', 'extra'],
    ])
    expect(mended).toHaveLength(1)
  })

  test('no text throws, and every row is read, told as a fault, or left out', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom('Torso', 'rot', '3', '1,20 €', 'Kiste 1', '', '"', '01.02.2026'),
    )
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 1, maxLength: 6 }), { maxLength: 12 }),
        fc.constantFrom(';', ',', '\t'),
        (cells, sign) => {
          const sheet = sheetOf(cells.map((row) => row.join(sign)).join('\n'))
          const list = readList(sheet, 'x.csv', known)
          const body = sheet.rows.length - (list.headed ? 1 : 0)
          const lines = new Set([
            ...list.rows.map(({ line }) => line),
            ...list.faults.map(({ line }) => line),
            ...list.left,
          ])
          expect(lines.size).toBeLessThanOrEqual(body)
          expect(list.sample.every(({ row, line }) => row !== null || lines.has(line) || row === null)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })

  test.each([
    ['a;b;c\n1,5;2;3', ';'],
    ['a,b\n"x, y",2', ','],
    ['a\tb\n1;2\t3', '\t'],
    ['single\nline', ','],
  ])('the sign between cells of %j is %j', (text, sign) => expect(delimiterIn(text)).toBe(sign))
})

import { describe, expect, test } from '@jest/globals'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import { readNames } from '../tables/index.ts'
import { readDays, readHex, type ListedColour, type ListedSeller } from './entries.ts'
import { readList, type Choices, type ReadList } from './readList.ts'
import { sheetOf } from './sheet.ts'

const KNOWN = {
  palette: STARTER_COLOURS,
  moulds: STARTER_MOULDS,
  parts: [],
  bins: [],
  sellers: [{ code: 's-harbour', name: 'Harbour Bits', currency: 'GBP' }],
}
const read = (text: string, name = 'liste.csv', choices: Choices = {}): ReadList =>
  readList(sheetOf(text), name, KNOWN, choices)

/** A seller in one line, for tables of what is expected. */
const told = (entry: ListedSeller) =>
  [
    entry.name,
    entry.country,
    entry.currency,
    entry.minimum,
    entry.shipping &&
      [
        ...entry.shipping.bands.map(({ upTo, price }) => `${upTo ?? 'any'}=${price}`),
        ...(entry.shipping.basis === 'value' ? [] : [`by ${entry.shipping.basis}`]),
      ].join(' '),
    entry.handling,
    entry.arrivesInDays,
    entry.rating,
    entry.notes,
  ]
    .map((one) => one ?? '–')
    .join(' | ')

describe('a list of sellers', () => {
  test.each([
    [
      'German, semicolons, cents after commas',
      'Händler;Land;Mindestbestellwert;Versandkosten;frei ab;Lieferzeit;Bemerkung\nKramkiste;Österreich;10,00 €;3,90 €;50,00 €;2-4 Tage;antwortet schnell\nTeilelager;Deutschland;;4,50;;1 Woche;\n',
      [
        'Kramkiste | Österreich | EUR | 1000 | 4999=390 any=0 | – | 4 | – | antwortet schnell',
        'Teilelager | Deutschland | EUR | – | any=450 | – | 7 | – | –',
      ],
    ],
    [
      'English, tabs, in pounds, with stars and a fee',
      'Shop\tCountry\tCurrency\tMin order\tPostage\tHandling fee\tDelivery time\tStars\nLoose Bricks\tUK\tGBP\t£5\t£2.80, free over £40\t0.50\t3 days\t4\n',
      ['Loose Bricks | UK | GBP | 500 | 3999=280 any=0 | 50 | 3 | 4 | –'],
    ],
    [
      'French, without money of a sign, bands in words',
      'Vendeur,Pays,Frais de port,Délai de livraison,Téléphone\nLa Malle,France,"jusqu\'à 20 €: 3,50 €; jusqu\'à 60 €: 5 €; plus de 60 €: 7 €",5 jours,sur demande\n',
      ['La Malle | France | EUR | – | 2000=350 6000=500 any=700 | – | 5 | – | Téléphone: sur demande'],
    ],
    [
      'Polish, złoty',
      'Sklep;Kraj;Minimalne zamówienie;Koszt wysyłki;Darmowa wysyłka od\nKlocek;Polska;20 zł;12,99 zł;150 zł\n',
      ['Klocek | Polska | PLN | 2000 | 14999=1299 any=0 | – | – | – | –'],
    ],
    [
      'German, by weight, a column for each band',
      'Händler;Land;Versand bis 100 g;Versand bis 1 kg;bis 2 kg;frei ab\nWühltisch;Deutschland;1,60 €;2,70 €;4,50 €;60,00 €\nEckladen;Österreich;2,00;;-;\n',
      [
        'Wühltisch | Deutschland | EUR | – | 100=160 1000=270 any=450 by weight | – | – | – | frei ab: 60,00 €; Shipping of more than 2,000 g is not told.',
        'Eckladen | Österreich | EUR | – | any=200 by weight | – | – | – | Shipping of more than 100 g is not told.',
      ],
    ],
    [
      'Dutch, by pieces in one cell',
      'Verkoper\tLand\tVerzendkosten\nDe Bak\tNederland\ttot 10 stuks: € 2,10; tot 50 stuks: € 4,25; meer: € 6,95\n',
      ['De Bak | Nederland | EUR | – | 10=210 50=425 any=695 by count | – | – | – | –'],
    ],
    [
      'English, by value, a column for each band',
      'Seller,Country,Up to £10,£10-£30,Over £30\nOdd Lots,UK,£2.00,£3.10,free\n',
      ['Odd Lots | UK | GBP | – | 1000=200 3000=310 any=0 | – | – | – | –'],
    ],
    [
      'Spanish, with a title above, and yen for one',
      'Mis tiendas\n\nTienda;País;Moneda;Envío;Plazo de entrega\nEl Cajón;España;EUR;gratis;3 dias\nTakara Ya;Japón;JPY;1500;2 semanas\n',
      [
        'El Cajón | España | EUR | – | any=0 | – | 3 | – | –',
        'Takara Ya | Japón | JPY | – | any=1500 | – | 14 | – | –',
      ],
    ],
    [
      'Italian, telling nothing of what costs more',
      'Negozio;Paese;Spese di spedizione\nScatola;Italia;fino a 30 €: 4,00 €\n',
      ['Scatola | Italia | EUR | – | any=400 | – | – | – | Shipping of more than €30.00 is not told.'],
    ],
    [
      'a seller there is keeps their code and name',
      'Seller,Country,Postage\nharbour bits,UK,£3\n',
      ['Harbour Bits | UK | GBP | – | any=300 | – | – | – | –'],
    ],
  ])('%s', (_about, text, sellers) => {
    const { kind, entries, faults, rows } = read(text)
    expect([kind, faults, rows]).toEqual(['sellers', [], []])
    expect(entries.map((entry) => told(entry as ListedSeller))).toEqual(sellers)
  })

  test('faults name their line and field; the others are read', () => {
    const { entries, faults } = read(
      [
        'Seller;Country;Currency;Shipping;Minimum;Days',
        'Fine;A;EUR;3,00;;',
        ';A;EUR;3,00;;',
        'Vague;A;EUR;it depends;;',
        'Mixed;A;EUR;£3;;',
        'Harbour Bits;A;EUR;3,00;;',
        'Odd;A;money;3,00;;',
        'Free and not;A;EUR;ab 5 frei;viel;bald',
        'fine;A;EUR;4,00;;',
        'Twofold;A;EUR;4,00;ab 5, sonst 10;',
      ].join('\n'),
    )
    expect(entries.map(({ name }) => name)).toEqual(['Fine'])
    expect(faults).toEqual([
      { line: 3, field: 'seller', reason: 'says no seller' },
      { line: 4, field: 'shipping', reason: '"it depends" says no shipping that can be read' },
      { line: 5, field: 'currency', reason: 'says both EUR and GBP' },
      { line: 6, field: 'currency', reason: 'Harbour Bits sells in GBP, not in EUR' },
      { line: 7, field: 'currency', reason: '"money" is no currency' },
      { line: 8, field: 'minimum', reason: '"viel" is no amount' },
      { line: 8, field: 'shipping', reason: '"ab 5 frei" says no shipping that can be read' },
      { line: 8, field: 'days', reason: '"bald" is no time of delivery' },
      { line: 9, field: 'seller', reason: '"fine" stands in more than one row' },
      { line: 10, field: 'minimum', reason: '"ab 5, sonst 10" is no amount' },
    ])
  })

  test('a price list and a stock stay what they are, whatever columns stand beside', () => {
    expect(read('Seller;Part;Price;Shipping\nA;red torso;2,00;3,00\n').kind).toBe('prices')
    expect(read('Part;Colour;Count;Country\ntorso;red;2;NL\n').kind).toBe('owned')
    expect(read('Name;Colour;Hex;Box\ncap;red;#CC0000;Box 1\n').kind).toBe('owned')
  })
})

describe('a list of colours', () => {
  const colours = (text: string) =>
    (read(text).entries as ListedColour[]).map(({ name, hex, finish, there }) => [name, hex, finish, there].join(' | '))

  test.each([
    [
      'English',
      'Colour,Hex\nStorm,#405468\nLichen green,7A8F3B\n',
      ['Storm | #405468 | solid | false', 'Lichen green | #7A8F3B | solid | false'],
    ],
    [
      'German with finishes',
      'Farbe;Farbcode;Oberfläche\nEisblau;rgb(170, 210, 230);transparent\n',
      ['Eisblau | #AAD2E6 | clear | false'],
    ],
    ['French, in words', 'Nom;Code couleur\nNuit;#123\n', ['Nuit | #112233 | solid | false']],
    ['three numbers', 'Name\tRGB\nBrick\t150 60 50\n', ['Brick | #963C32 | solid | false']],
  ])('%s', (_about, text, expected) => {
    expect(read(text).kind).toBe('colours')
    expect(colours(text)).toEqual(expected)
  })

  test('one there is keeps its code, and is told; what shows no colour is a fault', () => {
    const { entries, faults } = read(`Colour;Hex\n${STARTER_COLOURS[0]!.name};#010203\nNowhere;\nOdd;reddish\n;#000000`)
    expect(entries).toMatchObject([{ code: STARTER_COLOURS[0]!.code, hex: '#010203', there: true }])
    expect(faults.map(({ line, field }) => [line, field])).toEqual([
      [3, 'hex'],
      [4, 'hex'],
      [5, 'colour'],
    ])
  })
})

describe('a list of characters', () => {
  test.each([
    [
      'German',
      'Name;Alter;Gruppe;Aussehen\nJürgen Groß;61;Werft;"alter Mann, grauer Bart; Öljacke"\nMia;;Werft;rote Mütze\n',
      2,
    ],
    ['English under a title', 'My cast\n\nCharacter,Age,Description\nAda Quill,70,"old woman, purple shawl"\n', 1],
    ['French', 'Personnage\tÂge\tRemarques\nLéa\t9\tbonnet rouge\n', 1],
    ['Polish', 'Postać;Wiek;Opis\nBronisław;44;czarny płaszcz\n', 1],
  ])('%s is read by the one reader of names', (_about, text, count) => {
    const list = read(text)
    expect([list.kind, list.rows, list.faults]).toEqual(['characters', [], []])
    const { names, faults } = readNames(list.text!)
    expect([names.length, faults]).toEqual([count, []])
    expect(names[0]).toMatchObject({ years: expect.any(Number), notes: expect.stringMatching(/\w/) })
  })

  test('cells keep their signs on the way: commas, quotes, breaks and semicolons', () => {
    const { text } = read('Name;Alter;Aussehen\n"Bo ""Bang"" Reed";30;"Hut, rot; Schal\nund Stock"\n')
    expect(readNames(text!).names).toMatchObject([
      { name: 'Bo "Bang" Reed', years: 30, notes: 'Hut, rot; Schal und Stock' },
    ])
  })

  test('parts with names, descriptions and ages stay parts; lines without a table can be said to be characters', () => {
    expect(read('Name;Beschreibung\nTorso rot;gestreift\nHut blau;alt\n').kind).toBe('owned')
    expect(read('Name,Group,Count\nred torso,A,3\n').kind).toBe('owned')
    const { text } = read('Ada Quill: old woman, grey bun\nBo Reed: boy, red cap\n', 'cast.txt', { kind: 'characters' })
    expect(readNames(text!).names.map(({ name, notes }) => [name, notes])).toEqual([
      ['Ada Quill', 'old woman, grey bun'],
      ['Bo Reed', 'boy, red cap'],
    ])
  })
})

test.each([
  ['3', 3],
  ['2-4 Tage', 4],
  ['1 week', 7],
  ['about 2 Wochen', 14],
  ['soon', null],
  ['9999 days', null],
])('days of "%s"', (text, days) => expect(readDays(text)).toBe(days))

test.each([
  ['#aabbcc', '#AABBCC'],
  ['0x102030', '#102030'],
  ['300 1 1', null],
  ['#12', null],
])('colour of "%s"', (text, hex) => expect(readHex(text)).toBe(hex))

import { describe, expect, test } from '@jest/globals'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import type { ListedSeller } from './entries.ts'
import { matchPart } from './match.ts'
import { readCount, saysMore } from './readCells.ts'
import { readList } from './readList.ts'
import { sheetOf } from './sheet.ts'

const KNOWN = { palette: STARTER_COLOURS, moulds: STARTER_MOULDS, parts: [], bins: [], sellers: [] }
const read = (text: string, name = 'x.csv') => readList(sheetOf(text), name, KNOWN)
/** Rows in one line each: how many, what, in which colour, and what is kept beside them. */
const told = (text: string, name?: string) =>
  read(text, name).rows.map(({ count, part, remark }) =>
    [count, part.mould, part.colour, remark && `(${remark})`].filter((one) => one !== '').join(' '),
  )

test('a colour told with another has that for what is printed; a tone of one is one colour', () => {
  const inks = (colour: string) => read(`Teil;Farbe;Anzahl\nTorso gestreift;${colour};1\n`).rows[0]!.part
  expect(inks('weiß/rot')).toMatchObject({ colour: 'chalk', inks: ['poppy'] })
  expect(inks('white and red')).toMatchObject({ colour: 'chalk', inks: ['poppy'] })
  expect(inks('schwarz, weiß, rot').inks).toEqual(['chalk', 'poppy'])
  for (const one of ['rot', 'dunkelrot', 'light blue']) expect(inks(one).inks).toEqual([])
})

test.each([
  [
    'a column for the kind of part, names that say the rest, colours in two columns',
    'Kategorie;Bezeichnung;Farbe 1;Farbe 2;Anzahl\nKopf;lachend, Sommersprossen;hautfarben;;3\nHaare;lang, glatt;schwarz;;2\nTorso;Hemd mit Hosenträgern;weiß;blau;1\nBeine;kurz;schwarz;;5\nZubehör;Laterne;gold;;1\n',
    [
      '3 M-HEAD fawn',
      '2 M-LONG tar',
      '1 M-TORSO chalk (Kategorie: Torso; Farbe 2: blau)',
      '5 M-PAIRS tar',
      '1 M-LANT brass (Kategorie: Zubehör)',
    ],
  ],
  [
    'the same in English and Dutch words',
    'Category,Item,Color,Qty\nHead,smiling,tan,3\nLegs,short,black,2\nHoofd,met baard,beige,1\nBenen,kort,rood,4\n',
    ['3 M-HEAD rope', '2 M-PAIRS tar', '1 M-HEAD rope', '4 M-PAIRS poppy'],
  ],
  [
    'a column for each colour',
    'Part;Red;Blue;Black;Where\nTorso;2;1;;A\nLegs;;3;4;B\n',
    ['2 M-TORSO poppy', '1 M-TORSO quay-blue', '3 M-PAIRF quay-blue', '4 M-PAIRF tar'],
  ],
  [
    'a column for each colour and its tone, with their sum',
    'Piece,Dark red,Light grey,Green,Total\nTorso,1,,2,3\nLegs,,4,,4\n',
    ['1 M-TORSO wine', '2 M-TORSO moss', '4 M-PAIRF rain'],
  ],
  [
    'a column of numbers that say how many',
    'Type,Details,Colour(s),No.\nHairpiece,"long, wavy",black,2\nLegs,"plain, short",tan,2 (1 cracked)\nAnimal,cat,white,1\nTorso,plain,red,1\n',
    ['2 M-WAVE tar', '2 M-PAIRS rope (No.: 2 (1 cracked))', '1 M-CAT chalk (Type: Animal)', '1 M-TORSO poppy'],
  ],
  [
    'lines with bullets under headings',
    'Hair pieces:\n- 3x long black\n* 1 ponytail, blonde\n\nHeads:\n- 4 smiling\n- angry with beard\n',
    ['3 M-LONG tar', '1 M-TAIL straw', '4 M-HEAD c-none', '1 M-HEAD c-none'],
  ],
  [
    'counts that are not exact, or say more',
    'Teil;Farbe;Anzahl\nTorso;rot;2 (1 defekt)\nBeine;blau;ca. 4\nUmhang;schwarz;~3\n',
    ['2 M-TORSO poppy (Anzahl: 2 (1 defekt))', '4 M-PAIRF quay-blue (Anzahl: ca. 4)', '3 M-CAPE tar (Anzahl: ~3)'],
  ],
  [
    'headings that say more than the names below them',
    'Item,Colour,Count\nHair & hats,,\nLong wavy hair,brown,3\nBeret,red,1\nBodies,,\nRed torso,red,1\nShort sword,silver,4\n',
    ['3 M-WAVE chestnut', '1 M-BERET poppy', '1 M-TORSO poppy', '4 M-own-short-sword tin'],
  ],
  [
    'counts behind the name, with more behind them',
    'Torso rot 3x\nBeine schwarz 4x\nUmhang grün 2x (einer mit Riss)\n',
    ['3 M-TORSO poppy', '4 M-PAIRF tar', '2 M-CAPE moss (Umhang grün 2x (einer mit Riss))'],
  ],
  [
    'a kind that stands once for several rows',
    'Art;Was;Farbe;Zahl\nKopf;lachend;beige;1\n;mürrisch;braun;2\nBeine;kurz;rot;1\n',
    ['1 M-HEAD rope', '2 M-HEAD chestnut', '1 M-PAIRS poppy'],
  ],
])('%s', (_about, text, says) => {
  expect(told(text)).toEqual(says)
})

test.each([
  [
    'sellers',
    'Teil;Farbe;Kramladen;Eckladen;Wühltisch;Bemerkung\nTorso;rot;1,20 €;1,05 €;-;\nBeine;blau;0,60 €;;0,55 €;nur Paare\n',
    ['s-kramladen 120', 's-eckladen 105', 's-kramladen 60', 's-wuhltisch 55'],
  ],
  [
    'prices of sellers',
    'Item,Colour,Price Old Quay,Price (Loft Bits)\nTop hat,Black,£1.20,£0.95\nCape,Red,£0.90,\n',
    ['s-old-quay 120', 's-loft-bits 95', 's-old-quay 90'],
  ],
  [
    'sellers, beside a limit of one’s own',
    'Articolo;Colore;Mattoncino;La Bottega;Prezzo max\nTesta;beige;€ 0,45;€ 0,52;0,60\nGambe;nero;€ 0,30;;0,40\n',
    ['s-mattoncino 45', 's-la-bottega 52', 's-mattoncino 30'],
  ],
])('a column for each of some %s is a price list of all of them', (_about, text, says) => {
  const { kind, rows, faults } = read(text)
  expect([kind, faults, rows.map(({ seller, price }) => `${seller} ${price?.minor}`)]).toEqual(['prices', [], says])
})

test('columns of measures are no sellers', () => {
  const { kind, columns } = read('Teil;Farbe;Höhe;Breite;Ort\nTorso;rot;12,5;9,1;A\nHut;blau;7,5;8,4;B\n')
  expect([kind, columns.map(({ field }) => field)]).toEqual(['owned', ['name', 'colour', null, null, 'bin']])
})

test('a set and its figure that stand once for several rows', () => {
  const { kind, rows, faults } = read(
    'Set;Figur;Teil;Farbe;Anzahl\nHafenfest;Kapitän;Kopf mit Bart;hautfarben;1\n;;Torso;blau;1\n;Matrose;Kopf;hautfarben;1\n;;Beine;weiß;1\nHafenfest;;Laterne;gold;2\nBrücke;Wache;Kopf;braun;1\n',
  )
  expect([kind, faults]).toEqual(['sets', []])
  expect(rows.map(({ set, figure, part }) => `${set} / ${figure ?? '-'}: ${part.mould}`)).toEqual([
    ...['Hafenfest / Kapitän: M-HEAD', 'Hafenfest / Kapitän: M-TORSO', 'Hafenfest / Matrose: M-HEAD'],
    ...['Hafenfest / Matrose: M-PAIRF', 'Hafenfest / -: M-LANT', 'Brücke / Wache: M-HEAD'],
  ])
})

test('headings that name where things lie, above the heads or between the rows', () => {
  const { rows, headings } = read(
    'Bin A1\nArticle;Couleur;Nombre\nTête;chair;4\nCasque;gris;2\nBin B2\nJambes;bleu;3\nTorse;rouge;1\n',
  )
  expect([headings, rows.map(({ bin }) => bin)]).toEqual([['Bin B2'], ['B-bin-a1', 'B-bin-a1', 'B-bin-b2', 'B-bin-b2']])
})

test('columns of numbers beside a column for colours are no colours', () => {
  const { columns, rows } = read('Part;Colour;Count;Red;Blue\nTorso;green;2;1;1\n')
  expect(columns.map(({ field }) => field)).toEqual(['name', 'colour', 'count', null, null])
  expect(rows).toHaveLength(1)
})

test('what is available at a price is for sale, whatever the file is called', () => {
  const list = 'SKU,Description,Price (GBP),Qty avail\nH-1,Long hair black,0.85,12\nH-2,Red torso,0.40,SOLD OUT\n'
  const { kind, rows, left, faults } = read(list, 'stock list.csv')
  expect([kind, rows.map(({ count }) => count), left, faults]).toEqual(['prices', [12], [3], []])
})

describe('a count', () => {
  test.each([
    ['sold out', 0],
    ['ausverkauft', 0],
    ['épuisé', 0],
    ['none', 0],
    ['ca. 4', 4],
    ['about 12', 12],
    ['~3', 3],
    ['2 (one broken)', 2],
    ['approx', null],
    ['(2)', null],
    ['two (2)', 2],
  ])('%j is %s', (text, count) => {
    expect(readCount(text)).toBe(count)
  })

  test('says more where it is not the number alone', () => {
    expect(['2', '2 Stk.', '2 (defekt)', 'ca. 3', 'sold out', 'lots'].map(saysMore)).toEqual([
      ...[false, false, true],
      ...[true, false, false],
    ])
  })
})

test('terms of sellers in words: nothing asked, and what holds otherwise', () => {
  const { kind, entries, faults } = read(
    'Händler,Versand,Ab Bestellwert,Dauer\nKrimskrams,"4,50 (bis 500g), sonst 6,90",10 EUR,3-5 Werktage\nTeileonkel,kostenlos ab 30€ sonst 3.90,keiner,1 Woche\nDachboden,5€ pauschal,5,\n',
  )
  expect([kind, faults]).toEqual(['sellers', []])
  expect(
    (entries as ListedSeller[]).map(({ name, minimum, arrivesInDays, shipping }) => [
      ...[name, minimum, arrivesInDays],
      ...shipping!.bands.map(({ upTo, price }) => `${upTo ?? 'any'}=${price}`),
    ]),
  ).toEqual([
    ['Krimskrams', 1000, 5, '500=450', 'any=690'],
    ['Teileonkel', 0, 7, '2999=390', 'any=0'],
    ['Dachboden', 500, null, 'any=500'],
  ])
})

test.each([
  // Words for a shape alone say of no thing what it is.
  ['Sword, long', null],
  ['short sword', null],
  ['Kurzes Messer', null],
  ['épée longue', null],
  ['krótki miecz', null],
  ['Shield round', null],
  // What is on a thing is not what it is.
  ['shirt with lion', 'M-TORSO'],
  ['Hemd mit Löwe', 'M-TORSO'],
  ['chemise avec lion', 'M-TORSO'],
  ['Head with crown print', 'M-HEAD'],
  ['Short legs', 'M-PAIRS'],
  ['Torso mit Hund', 'M-TORSO'],
])('%j is the mould %s', (text, mould) => {
  expect(matchPart(text, STARTER_COLOURS, STARTER_MOULDS)).toMatchObject({ mould, sure: mould !== null })
})

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { IntakeResult, LookedAt, TakenList } from '@outfit/core/intake'
import { readNames } from '@outfit/core/tables'
import { strToU8, zipSync } from 'fflate'
import iconv from 'iconv-lite'
import { Writer } from '../base/writer.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { encodingOf } from './decode.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

const keep = async (name: string, bytes: Uint8Array) =>
  server.sendFile<{ id: string } & ProblemBody>(`intake?name=${encodeURIComponent(name)}`, new Uint8Array(bytes))
const look = async (id: string, body: object = {}) =>
  (await server.send<LookedAt & ProblemBody>('POST', `intake/${id}/look`, body)).body
const bring = (id: string, body: object) => server.send<IntakeResult & ProblemBody>('POST', `intake/${id}/taken`, body)
interface Owned {
  items: { part: { code: string; name: string; colours: string[]; print: string | null }; owned: number }[]
}
const found = async (text: string) =>
  (await server.get<Owned>(`parts/find?text=${encodeURIComponent(text)}`)).body.items

const GERMAN = `Bezeichnung;Farbe;Anzahl;Kiste;Preis;Zustand;Herkunft
Schirmmütze mit Abzeichen;blau;3;Kiste 2;1,20 €;neu;Flohmarkt
Kopf Sommersprossen;hautfarben;2 Stk.;Kiste 1;;;
Beine kurz;dunkelrot;1;Kiste 5;0,80;gebraucht;
Oberkörper gestreift;grün;4;Kiste 5;;;Öhringen
`

describe('a list of a stranger, in an empty workspace', () => {
  test('is read in its encoding, and brought in at once: parts, bins, colours and counts', async () => {
    const kept = await keep('bestand.csv', iconv.encode(GERMAN, 'windows-1252'))
    expect(kept.status).toBe(201)
    const told = await look(kept.body.id)
    expect(told).toMatchObject({ kind: 'owned', encoding: 'windows-1252', faults: [], before: null })
    expect(told.sum).toMatchObject({ rows: 4, parts: 10, kinds: 4, bins: 3, made: 4 })
    expect(told.sample[0]!.row!.remark).toBe('Herkunft: Flohmarkt')
    const { status, body } = await bring(kept.body.id, { mode: 'add' })
    expect([status, body]).toEqual([
      201,
      expect.objectContaining({
        rows: 4,
        parts: 10,
        made: { parts: expect.any(Number), bins: 3, sellers: 0, colours: expect.any(Number) },
      }),
    ])
    const [cap] = await found('Schirmmütze')
    expect(cap).toMatchObject({ owned: 3, part: { name: 'Schirmmütze mit Abzeichen', colours: ['quay-blue'] } })
    // A pair of legs lies there as its pieces, and counts as the pair.
    expect((await found('Beine kurz'))[0]!.owned).toBe(1)
    const { bins } = (await server.get<{ bins: { name: string }[] }>('drawer')).body
    expect(bins.map(({ name }) => name).sort()).toEqual(['Kiste 1', 'Kiste 2', 'Kiste 5'])
    // What was paid and what no column is for stands in the history.
    expect(JSON.stringify((await server.get(`drawer/acts?part=${cap!.part.code}`)).body)).toContain('bestand.csv')
    // One press takes it back.
    expect((await server.send('POST', `intake/${body.id}/taken-back`)).status).toBe(204)
    expect((await found('Schirmmütze'))[0]!.owned).toBe(0)
    expect(
      (
        await server.send(
          'POST',
          `drawer/acts/${(await server.get<{ acts: { id: string }[] }>('drawer/acts')).body.acts[0]!.id}/reversal`,
        )
      ).status,
    ).toBeLessThan(300)
  })

  test('what its words say of a face or a shirt is drawn, before and after, in colours that are there then', async () => {
    const kept = await keep(
      'faces.csv',
      new TextEncoder().encode('Teil;Farbe\nKopf mit grauem Bart;hautfarben\nTorso gestreift;weiß\n'),
    )
    const told = await look(kept.body.id)
    const layers = ({ print }: LookedAt['shown'][number]) => print!.front.map(({ kind }) => kind)
    expect(layers(told.shown[0]!)).toContain('beard')
    expect(layers(told.shown[1]!)).toContain('stripes')
    const inks = told.shown.flatMap(({ print }) => print!.front.flatMap(({ colour }) => colour ?? []))
    for (const ink of inks) expect(told.colours.map(({ code }) => code)).toContain(ink)
    expect((await bring(kept.body.id, { mode: 'add' })).status).toBe(201)
    const { colours } = (await server.get<{ colours: { code: string }[] }>('catalogue/basics')).body
    for (const ink of inks) expect(colours.map(({ code }) => code)).toContain(ink)
    const [head] = await found('Bart')
    const print = (await server.get<{ front: object[]; traits: object }>(`prints/${head!.part.print}`)).body
    expect([print.front, print.traits]).toEqual([told.shown[0]!.print!.front, { beard: 'full' }])
  })

  test('brought in again it is known, adds nothing unasked, and can be set to the counts', async () => {
    const more = GERMAN.replace(';3;', ';5;')
    const kept = await keep('bestand.csv', iconv.encode(more, 'windows-1252'))
    const told = await look(kept.body.id)
    expect(told.before).toMatchObject({ same: false, differ: 1 })
    expect(told.sum.made).toBe(0)
    expect((await bring(kept.body.id, { mode: 'set' })).status).toBe(201)
    expect((await found('Schirmmütze'))[0]!.owned).toBe(5)
    expect((await found('Sommersprossen'))[0]!.owned).toBe(2)
  })

  test('a price list names parts by name and colour, and makes its seller', async () => {
    const csv = 'Teil\tFarbe\tPreis\tVorrat\nSchirmmütze mit Abzeichen\tblau\t1,10 €\t7\nLaterne\tgelb\t0,60 €\t2\n'
    const { id } = (await keep('preise.tsv', iconv.encode(csv, 'utf-16le', { addBOM: true }))).body
    const nobody = await bring(id, { mode: 'add' })
    expect([nobody.status, nobody.body.errors]).toEqual([400, [{ field: 'same.seller', message: 'is missing' }]])
    const choices = { same: { seller: 'Lotte' } }
    expect(await look(id, { choices })).toMatchObject({ kind: 'prices', encoding: 'utf-16le', faults: [] })
    const { status, body } = await bring(id, { mode: 'add', choices })
    expect([status, body.made.sellers]).toEqual([201, 1])
    const { sellers } = (await server.get<{ sellers: { code: string; offers: number }[] }>('sellers')).body
    expect(sellers).toMatchObject([{ code: 's-lotte', name: 'Lotte', offers: 2 }])
    const [cap] = await found('Schirmmütze')
    expect(cap).toMatchObject({ lowest: 110, owned: 5 })
  })

  test('prices in money nobody knows the worth of are asked for it, and break nothing', async () => {
    const { id } = (
      await keep('ceny.csv', Buffer.from('Część;Kolor;Cena;Stan magazynu;Data\nTułów;czerwony;4,00 zł;5;01.02.2025\n'))
    ).body
    const choices = { kind: 'prices', same: { seller: 'Kupiec' } }
    expect(await look(id, { choices })).toMatchObject({ unrated: ['PLN'], faults: [] })
    const refused = await bring(id, { mode: 'add', choices })
    expect([refused.status, refused.body.errors]).toEqual([400, [{ field: 'rates.PLN', message: 'is missing' }]])
    expect((await bring(id, { mode: 'add', choices: { ...choices, rates: { PLN: 0.25 } } })).status).toBe(201)
    expect((await server.get('rosters')).status).toBe(200)
    expect((await found('Tułów'))[0]).toMatchObject({ lowest: 100 })
  })

  test('an answer goes for all rows, and is remembered', async () => {
    const csv = 'name,colour,qty,bin\nTorso,Zwielicht,1,Kiste 1\nTorso,Zwielicht,2,Kiste 2\n'
    const { id } = (await keep('a.csv', Buffer.from(csv))).body
    const [asked] = (await look(id)).unknown
    expect(asked).toMatchObject({ key: 'colour zwielicht', rows: 2, answer: { make: '#8A8D91' } })
    await bring(id, { mode: 'add', choices: { answers: { [asked!.key]: { take: 'heather' } } } })
    const { id: next } = (await keep('b.csv', Buffer.from(csv))).body
    expect((await look(next)).unknown).toMatchObject([
      { key: 'colour zwielicht', answer: { take: 'heather' }, settled: true },
    ])
  })

  test('what cannot be is refused by name, and nothing is written', async () => {
    const { id } = (await keep('a.csv', Buffer.from('name,qty\nTorso,2\n'))).body
    for (const [body, field] of [
      [{ choices: { columns: { x: 'name' } } }, 'choices.columns'],
      [{ choices: { answers: { 'colour x': { make: 'red' } } } }, 'choices.answers'],
      [{ choices: { same: { date: '31.2.2026' } } }, 'choices.same.date'],
      [{ encoding: 'ebcdic' }, 'encoding'],
    ] as const) {
      const { status, body: problem } = await server.send<ProblemBody>('POST', `intake/${id}/look`, body)
      expect([status, problem.errors[0]?.field]).toEqual([400, field])
    }
    expect((await keep('empty.csv', new Uint8Array())).status).toBe(400)
    const { id: long } = (await keep('long.csv', Buffer.from('name;qty\n' + 'Torso;1\n'.repeat(20_001)))).body
    expect((await look(long)).detail).toContain('has more than 20,000 rows; bring it in as a table')
    expect((await server.send('POST', 'intake/nothing/look', {})).status).toBe(404)
  })
})

const file = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])))
const CELLS = [
  ['Name', 'Couleur', 'Quantité', 'Date'],
  ['Torse', 'rouge', '3', '2026-10-01'],
]
const xlsx = () =>
  file({
    '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
    'xl/workbook.xml':
      '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Liste" sheetId="1" r:id="rId1"/></sheets></workbook>',
    'xl/_rels/workbook.xml.rels':
      '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
    'xl/worksheets/sheet1.xml': `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${CELLS.map(
      (row, r) =>
        `<row r="${r + 1}">${row.map((cell, c) => `<c r="${'ABCD'[c]}${r + 1}" t="inlineStr"><is><t>${cell}</t></is></c>`).join('')}</row>`,
    ).join('')}</sheetData></worksheet>`,
  })
const ods = (extra = '') =>
  file({
    mimetype: 'application/vnd.oasis.opendocument.spreadsheet',
    'content.xml': `<office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet><table:table table:name="Liste">${CELLS.map(
      (row) =>
        `<table:table-row>${row.map((cell) => `<table:table-cell><text:p>${cell}</text:p></table:table-cell>`).join('')}<table:table-cell table:number-columns-repeated="16380"/></table:table-row>`,
    ).join(
      '',
    )}<table:table-row table:number-rows-repeated="1048574"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>${extra}</table:table></office:spreadsheet></office:body></office:document-content>`,
  })

/** A ZIP whose directory says that its first file unpacks to so many bytes. */
function saying(bytes: Uint8Array, size: number): Uint8Array {
  const zip = Buffer.from(bytes)
  const at = zip.indexOf(Buffer.from([0x50, 0x4b, 0x01, 0x02]))
  zip.writeUInt32LE(size, at + 24)
  return zip
}

describe('a set list', () => {
  const SETS = `Set;Jahr;Figur;Teil;Farbe;Anzahl
Hafenfest;2019;Kapitän;Kopf mit Bart;hautfarben;1
Hafenfest;2019;Kapitän;Torso Jacke;blau;1
Hafenfest;2019;Kapitän;Hand;hautfarben;3
Hafenfest;2019;Kapitän;Beine;schwarz;1
Hafenfest;2019;;Laterne;gelb;2
44-102;;Wächter;Kopf;hautfarben;1
`
  interface Release {
    code: string
    name: string
    year: number
    contents: { kind: string; code: string; qty: number }[]
  }

  test('makes sets with their figures dressed and what lies beside; again they stay as they are', async () => {
    const kept = await keep('sets.csv', new TextEncoder().encode(SETS))
    const told = await look(kept.body.id)
    expect([told.kind, told.faults, told.sum]).toMatchObject(['sets', [], { sets: 2, figures: 2, undated: 1 }])
    const { status, body } = await bring(kept.body.id, { mode: 'add' })
    expect([status, body.act, body.sets.there]).toEqual([201, null, []])
    expect(body.sets.releases).toContain('44-102')
    const release = (await server.get<Release>(`releases/${body.sets.releases.find((code) => code !== '44-102')}`)).body
    expect(release).toMatchObject({ name: 'Hafenfest', year: 2019 })
    // A third hand has no place on a figure, and comes along beside it.
    expect(release.contents.map(({ kind, qty }) => `${kind} ${qty}`).sort()).toEqual(['figure 1', 'part 1', 'part 2'])
    const [captain] = body.sets.figures
    const figure = (await server.get<{ name: string; worn: { slot: string }[] }>(`figures/${captain}`)).body
    expect([figure.name, figure.worn.map(({ slot }) => slot).sort()]).toEqual([
      'Kapitän',
      ['handLeft', 'handRight', 'head', 'hips', 'legLeft', 'legRight', 'torso'],
    ])
    // What it brings is owned by nobody.
    expect((await found('Laterne'))[0]!.owned).toBe(0)

    const again = await keep('sets.csv', new TextEncoder().encode(`${SETS}Neu;2020;;Laterne;gelb;1\n`))
    const second = (await bring(again.body.id, { mode: 'add' })).body
    expect([second.sets.there, second.sets.releases.length, second.sets.figures]).toEqual([
      ['Hafenfest', '44-102'],
      1,
      [],
    ])
  })

  test('is taken back as a whole, unless somebody changed a set or figure of it', async () => {
    const text =
      'Set;Jahr;Figur;Teil;Farbe\nWinterhafen;2020;Wirt;Kopf;hautfarben\nSommerhafen;2021;Gast;Kopf;hautfarben\n'
    const { id } = (await keep('zwei-sets.csv', new TextEncoder().encode(text))).body
    const { releases, figures } = (await bring(id, { mode: 'add' })).body.sets
    const back = () => server.send<ProblemBody>('POST', `intake/${id}/taken-back`)
    const years = (year: number) =>
      server
        .service(Writer)
        .transaction((db) => db.query('UPDATE "release" SET year = ? WHERE code = ?', [year, releases[1]]))
    await years(1999)
    const refused = await back()
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringContaining(`the set ${releases[1]} is in use or was changed since. Nothing was changed.`),
    ])
    expect((await server.get(`releases/${releases[0]}`)).status).toBe(200)
    await years(2021)
    expect((await back()).status).toBe(204)
    for (const path of [...releases.map((code) => `releases/${code}`), ...figures.map((code) => `figures/${code}`)])
      expect([path, (await server.get(path)).status]).toEqual([path, 404])
  })

  test('of one set may leave its name to be said; without one every row says what is missing', async () => {
    const kept = await keep('inhalt.csv', new TextEncoder().encode('Figur;Teil;Farbe\nKoch;Kopf;hautfarben\n'))
    const choices = { kind: 'sets' }
    expect((await look(kept.body.id, { choices })).faults).toEqual([{ line: 2, field: 'set', reason: 'is missing' }])
    const said = { choices: { ...choices, same: { set: 'Küche' } } }
    expect((await look(kept.body.id, said)).sum).toMatchObject({ sets: 1, figures: 1 })
    expect((await bring(kept.body.id, { ...said, mode: 'add' })).body.sets.releases).toHaveLength(1)
  })
})

describe('lists of sellers and colours', () => {
  interface Seller {
    code: string
    name: string
    currency: string
    minimum: number
    arrivesInDays: number
    shippingBands: object[]
    notes: string | null
  }
  const sellers = async () =>
    (await server.get<{ sellers: Seller[] }>('sellers')).body.sellers.filter(({ name }) => /^(Wühl|Eck)/.test(name))
  const lists = async () => (await server.get<{ lists: TakenList[] }>('intake')).body.lists
  const taken = async (name: string, text: string, body: object = {}) => {
    const { id } = (await keep(name, strToU8(text))).body
    const answered = await bring(id, { mode: 'add', ...body })
    return { id, status: answered.status, body: answered.body }
  }
  const back = (id: string) => server.send<ProblemBody>('POST', `intake/${id}/taken-back`)

  const TERMS = `Händler;Land;Mindestbestellwert;Versandkosten;frei ab;Lieferzeit
Wühltisch;DE;10,00 €;3,90 €;50,00 €;2-4 Tage
Eckladen;AT;;;;
`

  test('sellers are made with their terms; what is not told is open; taken back they are gone, also with the day gone by', async () => {
    const { id, status, body } = await taken('händler.csv', TERMS)
    expect([status, body.entries]).toEqual([201, { made: ['Wühltisch', 'Eckladen'], changed: [], same: 0 }])
    expect(await sellers()).toMatchObject([
      { name: 'Eckladen', minimum: 0, arrivesInDays: 7, notes: expect.stringContaining('not known yet') },
      {
        name: 'Wühltisch',
        minimum: 1000,
        arrivesInDays: 4,
        shippingBands: [
          { upTo: 4999, price: 390 },
          { upTo: null, price: 0 },
        ],
        notes: null,
      },
    ])
    expect((await lists())[0]).toMatchObject({ id, kind: 'sellers', rows: 2, canTakeBack: true, takenBack: null })
    expect((await back(id)).status).toBe(204)
    expect(await sellers()).toEqual([])
    expect((await lists())[0]).toMatchObject({ id, canTakeBack: false, takenBack: expect.any(String) })
    expect((await back(id)).status).toBe(409)
    expect((await back('nothing')).status).toBe(404)
  })

  test('of sellers there are, what is told is taken and the rest stays; taken back they are as before', async () => {
    await taken('eins.csv', TERMS)
    const before = await sellers()
    const { id, body } = await taken('zwei.csv', 'Händler;Versand;Lieferzeit\nEckladen;4,50 €;\nWühltisch;;4 Tage\n')
    expect(body.entries).toEqual({ made: [], changed: ['Eckladen'], same: 1 })
    expect((await sellers())[0]).toMatchObject({
      shippingBands: [{ upTo: null, price: 450 }],
      notes: null,
      arrivesInDays: 7,
    })
    expect((await back(id)).status).toBe(204)
    expect(await sellers()).toEqual(before)
  })

  test('who was taken away since does not come back with what was told of them before', async () => {
    const { id } = await taken('weg.csv', 'Händler;Versand;Land\nEckladen;9,00 €;AT\n')
    const [{ code }] = (await sellers()).filter(({ name }) => name === 'Eckladen') as [Seller]
    expect((await server.send('DELETE', `sellers/${code}`)).status).toBeLessThan(300)
    expect((await back(id)).status).toBe(204)
    expect((await sellers()).map(({ name }) => name)).not.toContain('Eckladen')
  })

  test('who was changed since, or sells by now, is not taken back; nothing is', async () => {
    const { id } = await taken('drei.csv', 'Händler;Land;Versand\nWühl 3;DE;2,00 €\nWühl 4;DE;2,00 €\n')
    await taken('preise.csv', 'Teil;Farbe;Preis;Händler\nHut;rot;1,00 €;Wühl 4\n')
    const { status, body } = await back(id)
    expect([status, body.detail]).toEqual([
      409,
      expect.stringMatching(/drei\.csv cannot be taken back: Wühl 4 is in use/),
    ])
    expect((await sellers()).map(({ name }) => name)).toEqual(expect.arrayContaining(['Wühl 3', 'Wühl 4']))
    const [prices] = await lists()
    expect([prices!.kind, prices!.canTakeBack, (await back(prices!.id)).status]).toEqual(['prices', true, 204])
    // Nobody sells by the first list any more, which can go as well.
    expect((await back(id)).status).toBe(204)
  })

  test('money nobody knows the worth of is asked for', async () => {
    const text = 'Shop;Country;Shipping\nEck Island;IS;900 ISK\n'
    const { id } = (await keep('island.csv', strToU8(text))).body
    expect((await look(id)).unrated).toEqual(['ISK'])
    expect((await bring(id, { mode: 'add' })).status).toBe(400)
    expect((await bring(id, { mode: 'add', choices: { rates: { ISK: 0.0067 } } })).status).toBe(201)
    expect((await sellers())[0]).toMatchObject({ name: 'Eck Island', currency: 'ISK', shippingBands: [{ price: 900 }] })
  })

  test('colours are made, changed, and taken back as long as no part has them', async () => {
    const first = await taken('farben.csv', 'Farbe;Farbcode\nEisblau;#AAD2E6\nRost;rgb(140, 70, 40)\n')
    expect(first.body).toMatchObject({ made: { colours: 2 }, entries: { made: ['Eisblau', 'Rost'] } })
    const second = await taken('farben2.csv', 'Farbe;Farbcode\nEisblau;#A0D0E0\nRost;#8C4628\n')
    expect(second.body.entries).toEqual({ made: [], changed: ['Eisblau'], same: 1 })
    // Eisblau is not what the first list made of it any more.
    expect((await back(first.id)).body.detail).toMatch(/Eisblau is in use or was changed since/)
    expect((await back(second.id)).status).toBe(204)
    const parts = await taken('teile.csv', 'Teil;Farbe;Anzahl\nHut;Rost;1\n')
    expect((await back(first.id)).body.detail).toMatch(/Rost is in use/)
    expect((await back(parts.id)).status).toBe(204)
  })
})

describe('workbooks', () => {
  test.each([
    ['XLSX', xlsx],
    ['ODS', ods],
  ])('%s is read like a text', async (_name, make) => {
    const { id } = (await keep('liste.bin', make())).body
    const told = await look(id)
    expect(told).toMatchObject({ kind: 'owned', encoding: null, sheets: ['Liste'], faults: [] })
    expect(told.sample[0]!.row).toMatchObject({
      count: 3,
      date: '2026-10-01',
      part: { mould: 'M-TORSO', colour: 'poppy' },
    })
  })

  test('one that would unpack to more than fits is refused before it does, and so is another ZIP', async () => {
    const content = '<a>' + 'b'.repeat(5_000_000) + '</a>'
    for (const [bytes, why] of [
      [saying(file({ 'content.xml': content }), 300 * 1024 * 1024), 'unpacks to more than 60 MB'],
      // One that says it is small is not unpacked beyond what it says.
      [saying(file({ 'content.xml': content }), 100), 'cannot be'],
      [file({ 'a.txt': 'x' }), 'neither an XLSX nor an ODS'],
      [
        file({ 'manifest.json': '{}', 'tables/part.jsonl': '' }),
        'is a copy of a whole workspace; bring it back under Copies',
      ],
      [ods('<table:table-row>'), 'cannot be read as a workbook'],
      [xlsx().slice(0, 300), 'cannot be unpacked'],
    ] as const) {
      const { id } = (await keep('a.ods', bytes)).body
      const told = await look(id)
      expect([told.status, told.detail]).toEqual([400, expect.stringContaining(why)])
    }
  })
})

describe('encodings', () => {
  test('bytes with zeros among them that cannot be UTF-16 are no list', async () => {
    const { id } = (await keep('list.bin', new Uint8Array([77, 0, 78]))).body
    const { status, body } = await server.send<ProblemBody>('POST', `intake/${id}/look`, {})
    expect([status, body.detail]).toEqual([400, expect.stringMatching(/^list\.bin is no text and no workbook/)])
  })

  test('characters are told as such, and go into a roster alone', async () => {
    const text = 'Name;Alter;Aussehen\nJürgen;61;"Bart; Hut"\n'
    const { id } = (await keep('wer.csv', iconv.encode(text, 'windows-1252'))).body
    const told = await look(id)
    expect([told.kind, told.sum.rows, readNames(told.text!).names]).toEqual([
      'characters',
      1,
      [{ line: 2, name: 'Jürgen', faction: '', years: 61, notes: 'Bart; Hut' }],
    ])
    const { status, body } = await bring(id, { mode: 'add' })
    expect([status, body.detail]).toEqual([400, expect.stringMatching(/^Characters are added to a roster/)])
  })

  test.each([
    ['utf-8', 'Schirmmütze;größe;1,20 €\n'],
    ['windows-1252', 'Schirmmütze;größe;1,20 €\nGrüne Hände; “x”\n'],
    ['windows-1250', 'Nazwa;Ilość;Uwagi\nkapelusz słomkowy;3;żółty\nspódnica;1;część\n'],
    ['macroman', 'Pièce;Quantité;Été\nChapeau;3;à réparer\nTête;2;garçon\n'],
    ['utf-16be', 'Naam;Aantal\nHoed;3\n'],
  ] as const)('%s is found', (encoding, text) => expect(encodingOf(iconv.encode(text, encoding))).toBe(encoding))
})

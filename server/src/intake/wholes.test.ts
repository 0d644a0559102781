import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

interface Kind {
  code: string
  print: string | null
}
interface Whole {
  part: Kind & { components: { slot: string; part: string }[] }
  owned: number
}
const bring = async (name: string, text: string) => {
  const kept = await server.sendFile<{ id: string }>(`intake?name=${name}`, new TextEncoder().encode(text))
  return server.send('POST', `intake/${kept.body.id}/taken`, { mode: 'add' })
}
const release = async (code: string) =>
  (await server.get<{ name: string; price: number; currency: string }>(`releases/${code}`)).body
const found = async (text: string) =>
  (await server.get<{ items: Whole[] }>(`parts/find?text=${encodeURIComponent(text)}`)).body.items

test('torsos with arms and printed legs are owned as their pieces, which carry the print', async () => {
  const text = 'Teil;Farbe;Anzahl\nRingelpulli Torso mit Armen gestreift;rot;2\nBeine mit Stiefeln;schwarz;3\n'
  expect((await bring('wholes.csv', text)).status).toBe(201)
  for (const [words, owned, slots, printed] of [
    ['Ringelpulli', 2, ['torso', 'armRight', 'armLeft'], ['torso']],
    ['Beine mit Stiefeln', 3, ['hips', 'legRight', 'legLeft'], ['legRight', 'legLeft']],
  ] as const) {
    const whole = (await found(words)).find(({ part }) => part.components.length > 0)!
    const { print, components } = whole.part
    expect([whole.owned, components.map(({ slot }) => slot).sort()]).toEqual([owned, [...slots].sort()])
    expect(print).not.toBeNull()
    const pieces = await Promise.all(
      components.map(async ({ slot, part }) => ({
        slot,
        piece: (await server.get<{ part: Kind }>(`parts/${part}`)).body.part,
      })),
    )
    // Sleeves and hips are plain; what carries the print is drawn with it wherever it is worn.
    expect(
      pieces
        .filter(({ piece }) => piece.print === print)
        .map(({ slot }) => slot)
        .sort(),
    ).toEqual([...printed].sort())
  }
})

interface Told {
  part: Kind
  remarks: { list: string; line: number; text: string }[]
}
type Brought = { id: string; sets: { releases: string[] } }
const toldOf = async (text: string) =>
  (await server.get<Told>(`parts/${(await found(text))[0]!.part.code}`)).body.remarks.map(
    ({ list, line, text: said }) => `${list}, ${line}: ${said}`,
  )

test('a set costs what all of its rows say; where they differ the prices stay as remarks, as does what no column is for', async () => {
  const text = [
    'Set;Figur;Teil;Farbe;Anzahl;Preis;Regal',
    'Hafenfest;Kapitän;Schlapphut;grün;1;12,90 €;oben links',
    'Hafenfest;Kapitän;Torso;rot;1;12,90 €;',
    'Nachtmarkt;Köchin;Wollmütze;blau;1;3,00 €;unten',
    'Nachtmarkt;Köchin;Torso;weiß;1;4,50 €;',
  ].join('\n')
  const brought = await bring('sets.csv', text)
  expect(brought.status).toBe(201)
  const { id, sets } = brought.body as unknown as Brought
  expect((await Promise.all(sets.releases.map(release))).map((one) => [one.name, one.price, one.currency])).toEqual([
    ['Hafenfest', 1290, 'EUR'],
    ['Nachtmarkt', 0, 'EUR'],
  ])
  expect(await toldOf('Schlapphut')).toEqual(['sets.csv, 2: Regal: oben links'])
  expect(await toldOf('Wollmütze')).toEqual(['sets.csv, 4: Preis: 3,00 €; Regal: unten'])
  expect((await server.send('POST', `intake/${id}/taken-back`)).status).toBe(204)
  expect([await toldOf('Schlapphut'), await toldOf('Wollmütze')]).toEqual([[], []])
})

test('what a price list says besides prices is kept with the part, in money with a rate or not', async () => {
  const text =
    'Teil;Farbe;Preis;Bestand;Zustand;Bemerkung\nPaddel;braun;0,40 €;3;neu;leicht verkratzt\nPaddel;rot;0,40 €;2;neu;'
  const kept = await server.sendFile<{ id: string }>('intake?name=Preisliste.csv', new TextEncoder().encode(text))
  const choices = { kind: 'prices', same: { seller: 'Eckladen' } }
  expect((await server.send('POST', `intake/${kept.body.id}/taken`, { mode: 'add', choices })).status).toBe(201)
  const { items } = (await server.get<{ items: Whole[] }>('parts/find?text=Paddel')).body
  const all = await Promise.all(items.map(({ part }) => server.get<Told>(`parts/${part.code}`)))
  expect(all.flatMap(({ body }) => body.remarks.map(({ text }) => text))).toEqual(['Bemerkung: leicht verkratzt'])
})

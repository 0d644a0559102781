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

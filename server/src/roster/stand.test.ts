import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

interface Bins {
  bins: { bin: string; qty: number }[]
}
const roster = async (name: string) =>
  (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find((one) => one.name === name)!
/** Where a part lies, by bin. */
const lying = async (part: string) => {
  const { bins } = (await server.get<Bins>(`parts/${part}`)).body
  return Object.fromEntries(bins.map(({ bin, qty }) => [bin, qty]))
}

describe('building and taking apart', () => {
  test('in any order loses no part, leaves no bin below nothing, and ends where it began', async () => {
    const { outfits } = await roster('Brass band')
    const parts = [...new Set(outfits.flatMap(({ placements }) => placements.map(({ part }) => part)))]
    const all = async () =>
      Object.fromEntries(await Promise.all(parts.map(async (part) => [part, await lying(part)] as const)))
    const total = (places: Record<string, Record<string, number>>) =>
      Object.fromEntries(
        Object.entries(places).map(([part, bins]) => [part, Object.values(bins).reduce((sum, qty) => sum + qty, 0)]),
      )
    const before = await all()
    const standing = new Set(outfits.map(({ id }) => id))
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat(outfits.length - 1), { minLength: 1, maxLength: 4 }), async (turns) => {
        for (const turn of turns) {
          const { id } = outfits[turn]!
          const stands = standing.has(id)
          const { status } = await server.send(stands ? 'DELETE' : 'POST', `outfits/${id}/built`)
          expect(status).toBe(stands ? 200 : 201)
          if (stands) standing.delete(id)
          else standing.add(id)
        }
        const now = await all()
        expect(total(now)).toEqual(total(before))
        expect(
          Object.values(now)
            .flatMap((bins) => Object.values(bins))
            .every((qty) => qty > 0),
        ).toBe(true)
        const built = (await roster('Brass band')).outfits.filter(({ state }) => state === 'shown').map(({ id }) => id)
        expect(new Set(built)).toEqual(standing)
      }),
      { numRuns: 6 },
    )
    for (const { id } of outfits) if (!standing.has(id)) await server.send('POST', `outfits/${id}/built`)
    const after = await all()
    expect(total(after)).toEqual(total(before))
    // Every stand holds what its outfit wears again.
    expect((await roster('Brass band')).outfits.every(({ state, toBuy }) => state === 'shown' && toBuy === 0)).toBe(
      true,
    )
  })

  test('what stands on one figure is not there for another', async () => {
    const crew = await roster('The Heron crew')
    const mirre = crew.outfits.find(({ name }) => name === 'Mirre Vos')!
    expect(mirre.state).toBe('built')
    const puffs = mirre.placements.find(({ slot }) => slot === 'headgear')!.part
    const { bins } = (await server.get<Bins>(`parts/${puffs}`)).body
    expect(bins.some(({ bin }) => bin.startsWith('T-'))).toBe(true)
    const { spare } = (
      await server.get<{ spare: Record<string, number> }>(`rosters/${crew.id}/members?cast=${crew.outfits[0]!.id}`)
    ).body
    expect(spare[puffs] ?? 0).toBe(0)
  })

  test('a figure built long ago can still be dressed otherwise, and tells what it lacks then', async () => {
    const crew = await roster('The Heron crew')
    const nadi = crew.outfits.find(({ name }) => name === 'Nadi Quill')!
    const joost = crew.outfits.find(({ name }) => name === 'Joost Ember')!
    const head = joost.placements.find(({ slot }) => slot === 'head')!
    const worn = nadi.placements.filter(({ slot }) => slot === 'head')
    const wear = (placements: object[]) =>
      server.send('PUT', `rosters/${crew.id}/heads`, { outfits: [{ outfit: nadi.id, placements }] })
    await wear([{ ...head, part: head.part }])
    const changed = (await roster('The Heron crew')).outfits.find(({ id }) => id === nadi.id)!
    expect(changed.state).not.toBe('built')
    await wear(worn)
    expect((await roster('The Heron crew')).outfits.find(({ id }) => id === nadi.id)!.state).toBe('built')
  })
})

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { OutfitDetail } from '@outfit/core/roster'
import { FIRST_STEPS, type FirstSteps, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

interface Shelves {
  rosters: RosterShelf[]
  parcels: { seller: string; expectedOn: string; outfits: string[]; parts: number }[]
}
const shelves = async () => (await server.get<Shelves>('rosters')).body
const named = async (name: string) => (await shelves()).rosters.find((roster) => roster.name === name)!
const order = ({ outfits }: RosterShelf) => outfits.map(({ name }) => name)
const outfitOf = ({ outfits }: RosterShelf, name: string): ShelfOutfit => outfits.find((one) => one.name === name)!

describe('the first steps', () => {
  test('are all done in the sample world, and tick themselves off in a new one', async () => {
    const steps = async (at: TestServer) => (await at.get<FirstSteps>('first-steps')).body
    expect(Object.values((await steps(server)).done)).toEqual(FIRST_STEPS.map(() => true))
    const fresh = await startServer({ world: false })
    expect(await steps(fresh)).toEqual({
      outfit: null,
      done: Object.fromEntries(FIRST_STEPS.map((step) => [step, false])),
    })
    const roster = (
      await fresh.send<{ id: string }>('POST', 'rosters', {
        name: 'First',
        note: '',
        school: 'exchange-only',
        budget: null,
        dueOn: null,
      })
    ).body
    await fresh.send('POST', `rosters/${roster.id}/characters`, {
      version: 1,
      characters: [{ name: 'Ada', faction: '', years: null, notes: '' }],
    })
    const { outfit } = await steps(fresh)
    const { body } = await fresh.get<OutfitDetail>(`outfits/${outfit}`)
    const wish = { place: 'headgear', trait: 'hat', target: 'yes', weight: 'must' }
    await fresh.send('PUT', `outfits/${outfit}/brief`, {
      version: body.briefVersion,
      brief: { ...body.brief, wishes: [wish] },
    })
    expect((await steps(fresh)).done).toMatchObject({ briefed: true, dressed: false, owned: false })
    await fresh.stop()
  })
})

describe('an outfit on its shelf', () => {
  test('is told alone as it is among all, whichever is asked first', async () => {
    const db = new Database(join(server.data, 'outfit.sqlite'), { readonly: true })
    const ids = db.prepare('SELECT id FROM outfit ORDER BY id').pluck().all() as string[]
    db.close()
    const alone = async (id: string) => (await server.get<ShelfOutfit>(`outfits/${id}/on-shelf`)).body
    const before = await Promise.all(ids.map(alone))
    const all = new Map(
      (await shelves()).rosters.flatMap(({ outfits }) => outfits.map((one) => [one.id, one] as const)),
    )
    expect(before).toEqual(ids.map((id) => all.get(id)))
    expect(before.some(({ pins }) => pins.length > 0)).toBe(true)
    expect(await alone(ids.at(-1)!)).toEqual(all.get(ids.at(-1)!))
    expect((await server.get<ProblemBody>('outfits/NOPE/on-shelf')).status).toBe(404)
  })
})

describe('what is to come', () => {
  test('costs no more than part by part, and less where parts are sold as one; nothing is called unsold that such a whole brings', async () => {
    const market = await named('Night market')
    let less = 0
    for (const { id, placements, from, toCome } of market.outfits) {
      const { lowest } = (await server.get<OutfitDetail>(`outfits/${id}`)).body
      const prices = placements.filter((_, i) => from[i] === 'buy').map(({ part }) => lowest[part] ?? null)
      const singly = {
        money: prices.reduce<number>((sum, price) => sum + (price ?? 0), 0),
        unsold: prices.filter((price) => price === null).length,
      }
      expect(toCome.unsold).toBeLessThanOrEqual(singly.unsold)
      if (toCome.unsold === singly.unsold) expect(toCome.money).toBeLessThanOrEqual(singly.money)
      if (toCome.unsold < singly.unsold || toCome.money < singly.money) less += 1
    }
    expect(less).toBeGreaterThan(0)
    // Nobody sells the trousers apart from their legs.
    expect(outfitOf(market, 'Abe, nets').toCome.unsold).toBe(0)
  })
})

describe('a shelf', () => {
  const arrange = (roster: RosterShelf, moves: object[]) =>
    server.send<ProblemBody>('PUT', `rosters/${roster.id}/order`, { moves })

  test('is put in another order, which numbers and the drawer follow', async () => {
    const crew = await named('The Heron crew')
    const [wen, hale] = [outfitOf(crew, 'Wen Sorrel'), outfitOf(crew, 'Hale Brook')]
    const { status } = await arrange(crew, [{ outfit: hale.id, faction: wen.faction, before: wen.id }])
    expect(status).toBe(204)
    const after = await named('The Heron crew')
    expect(order(after).slice(0, 2)).toEqual(['Hale Brook', 'Wen Sorrel'])
    expect(outfitOf(after, 'Hale Brook').faction).toBe('Bow four')
    // First on the shelf is first at the drawer.
    expect(outfitOf(after, 'Hale Brook').owned).toBeGreaterThan(hale.owned)
    const back = { outfit: hale.id, faction: hale.faction, before: null }
    expect((await arrange(after, [back])).status).toBe(204)
    expect(outfitOf(await named('The Heron crew'), 'Hale Brook').owned).toBe(hale.owned)
  })

  test('refuses a stranger, and moves of two windows are both kept', async () => {
    const crew = await named('The Heron crew')
    const stranger = (await named('Ferry people')).outfits[0]!
    expect((await arrange(crew, [{ outfit: stranger.id, faction: '', before: null }])).status).toBe(404)
    const [wen, ilka, bako] = crew.outfits
    await arrange(crew, [{ outfit: wen!.id, faction: 'Bow four', before: bako!.id }])
    await arrange(crew, [{ outfit: ilka!.id, faction: 'Bow four', before: null }])
    expect(order(await named('The Heron crew')).slice(0, 2)).toEqual(['Wen Sorrel', 'Bako Thorne'])
  })

  test('gives an outfit to another, with its character, and takes it back', async () => {
    const [ferry, school] = [await named('Ferry people'), await named('School regatta')]
    const teo = outfitOf(ferry, 'Teo, tickets')
    const move = (from: RosterShelf, to: RosterShelf, ids: string[]) =>
      server.send('POST', `rosters/${from.id}/moved`, { outfits: ids, to: to.id })
    expect((await move(ferry, school, [teo.id])).status).toBe(204)
    expect(order(await named('Ferry people'))).not.toContain('Teo, tickets')
    const there = outfitOf(await named('School regatta'), 'Teo, tickets')
    expect(there).toMatchObject({ id: teo.id, characterId: teo.characterId, placements: teo.placements })
    await move(school, ferry, [teo.id])
    // One of two outfits of a character goes alone; each roster has the character then.
    const odile = outfitOf(ferry, 'Odile at twelve')
    await move(ferry, school, [odile.id])
    const moved = outfitOf(await named('School regatta'), 'Odile at twelve')
    expect(moved.character).toBe('Odile Marsh')
    expect(moved.characterId).not.toBe(odile.characterId)
    await move(school, ferry, [odile.id])
    expect((await move(ferry, school, ['nobody'])).status).toBe(404)
  })

  test('tells states from facts, what was paid, and who waits for which parcel', async () => {
    const { rosters, parcels } = await shelves()
    const states = Object.fromEntries(rosters.map(({ name, outfits }) => [name, outfits.map(({ state }) => state)]))
    expect(new Set(states['Brass band'])).toEqual(new Set(['shown']))
    expect(new Set(states['School regatta'])).toEqual(new Set(['brief']))
    for (const state of ['built', 'on-the-way', 'sourcing'] as const) expect(states['The Heron crew']).toContain(state)
    expect(states['Ferry people']).toContain('fitting')
    const band = rosters.find(({ name }) => name === 'Brass band')!
    // 9 tunics, hips, 18 legs, 7 cornets, and the shipping.
    expect(band.paid).toBe(9 * (145 + 45 + 40 + 40) + 7 * 60 + 495)
    const late = parcels.find(({ seller }) => seller === 'Tin Whistle Parts')!
    expect(late.expectedOn).toBe('2026-11-09')
    expect(late.outfits.length).toBeGreaterThan(0)
    expect(rosters.flatMap(({ outfits }) => outfits).reduce((sum, { arriving }) => sum + arriving, 0)).toBe(
      parcels.reduce((sum, { parts }) => sum + parts, 0),
    )
  })
})

describe('what is taken off', () => {
  const take = (path: string, body?: object) => server.send<{ removed: string }>('DELETE', path, body)
  const putBack = (id: string) => server.send<ProblemBody>('POST', `removed/${id}`)

  test('is put back as it was: outfits with takes, briefs, votes and pins', async () => {
    const ferry = await named('Ferry people')
    const ids = ferry.outfits.filter(({ character }) => character === 'Bram Osk').map(({ id }) => id)
    const before = (await server.get<OutfitDetail>(`outfits/${ids[0]}`)).body
    const { status, body } = await take(`rosters/${ferry.id}/outfits`, { outfits: ids })
    expect(status).toBe(200)
    expect((await server.get(`outfits/${ids[0]}`)).status).toBe(404)
    expect(order(await named('Ferry people'))).not.toContain('Bram, engines')
    expect((await putBack(body.removed)).status).toBe(201)
    const { roster: _roster, ...after } = (await server.get<OutfitDetail>(`outfits/${ids[0]}`)).body
    const { roster: _before, ...expected } = before
    expect(after).toEqual(expected)
    expect((await named('Ferry people')).outfits).toEqual(ferry.outfits)
    expect((await putBack(body.removed)).status).toBe(404)
  })

  test('is put back as it was: a whole roster, with uniforms, stands and parcels', async () => {
    const before = await shelves()
    for (const { name } of before.rosters) {
      const roster = await named(name)
      const { body } = await take(`rosters/${roster.id}`)
      expect((await shelves()).rosters.map((one) => one.name)).not.toContain(name)
      const list = (await server.get<{ id: string; name: string; what: string }[]>('removed')).body
      expect(list[0]).toMatchObject({ id: body.removed, name, what: 'roster' })
      expect((await putBack(body.removed)).status).toBe(201)
    }
    const unversioned = ({ rosters, ...rest }: Shelves) => ({
      ...rest,
      rosters: rosters.map(({ version: _version, ...roster }) => roster),
    })
    expect(unversioned(await shelves())).toEqual(unversioned(before))
  })

  test('stands without what is gone in its turn, and waits for its character', async () => {
    const school = await named('School regatta')
    const [lis, tom] = school.outfits
    await server.send('POST', `rosters/${school.id}/preferences`, { better: lis!.id, worse: tom!.id })
    const second = await server.send<{ id: string }>('POST', `rosters/${school.id}/outfits`, {
      character: lis!.characterId,
      name: 'Lis, ten',
    })
    const off = async (id: string) => (await take(`rosters/${school.id}/outfits`, { outfits: [id] })).body.removed
    const [first, ten, other] = [await off(lis!.id), await off(second.body.id), await off(tom!.id)]
    // Her character went with her last outfit.
    expect((await putBack(first)).body.detail).toContain('The character of Lis Wagenaar is taken off too')
    for (const id of [ten, first]) expect((await putBack(id)).status).toBe(201)
    const choices = async () => (await server.get<object[]>(`rosters/${school.id}/preferences`)).body
    expect(await choices()).toEqual([])
    expect((await putBack(other)).status).toBe(201)
    expect(order(await named('School regatta')).sort()).toEqual(
      ['Juno Brandt', 'Lis Wagenaar', 'Lis, ten', 'Tom Aker', 'Wout Idema'].sort(),
    )
    await off(second.body.id)
  })

  test('waits for its roster, and for its name', async () => {
    const begun = async () =>
      (await server.send<{ id: string }>('POST', 'rosters', { name: 'Weir', note: '', school: 'altered' })).body.id
    const id = await begun()
    const added = await server.send<{ outfits: string[] }>('POST', `rosters/${id}/characters`, {
      version: 1,
      characters: [{ name: 'Ada', faction: '', notes: '' }],
    })
    const ada = (await take(`rosters/${id}/outfits`, { outfits: added.body.outfits })).body.removed
    const weir = (await take(`rosters/${id}`)).body.removed
    expect((await putBack(ada)).body.detail).toContain('Put the roster back first')
    const other = await begun()
    expect((await putBack(weir)).body.detail).toContain('another roster Weir')
    await take(`rosters/${other}`)
    expect((await putBack(weir)).status).toBe(201)
    expect((await putBack(ada)).status).toBe(201)
    expect(order(await named('Weir'))).toEqual(['Ada'])
  })
})

describe('a roster', () => {
  test('is changed, and what another window changed meanwhile stays and is told', async () => {
    const market = await named('Night market')
    const { name, budget } = market
    const change = (set: object, was: object) =>
      server.send<ProblemBody & { collided: { field: string; now: unknown }[] }>('PUT', `rosters/${market.id}`, {
        set,
        was,
      })
    expect((await change({ budget: 30000 }, { budget })).body.collided).toEqual([])
    const { body } = await change({ budget: 100, note: 'Twelve.' }, { budget, note: market.note })
    expect(body.collided).toMatchObject([{ field: 'budget', now: 30000 }])
    expect(await named(name)).toMatchObject({ budget: 30000, note: 'Twelve.' })
    expect((await change({ name: 'Ferry people' }, { name })).body.errors[0]!.field).toBe('name')
    expect((await change({ name: '' }, {})).body.errors[0]!.field).toBe('set.name')
  })

  test('gets another outfit of somebody, dressed as the first and standing beside it', async () => {
    const ferry = await named('Ferry people')
    const teo = outfitOf(ferry, 'Teo, tickets')
    const { body, status } = await server.send<{ id: string }>('POST', `rosters/${ferry.id}/outfits`, {
      character: teo.characterId,
      name: 'Teo, seventy',
      from: teo.id,
      years: 70,
    })
    expect(status).toBe(201)
    const after = await named('Ferry people')
    expect(order(after).indexOf('Teo, seventy')).toBe(order(after).indexOf('Teo, tickets') + 1)
    expect(outfitOf(after, 'Teo, seventy')).toMatchObject({ character: teo.character, years: 70, faction: teo.faction })
    expect(outfitOf(after, 'Teo, seventy').placements).toHaveLength(teo.placements.length)
    const detail = (await server.get<OutfitDetail>(`outfits/${body.id}`)).body
    expect(detail.brief.wishes).toEqual((await server.get<OutfitDetail>(`outfits/${teo.id}`)).body.brief.wishes)
    const nobody = { character: 'nobody', name: 'X' }
    expect((await server.send('POST', `rosters/${ferry.id}/outfits`, nobody)).status).toBe(404)
  })
})

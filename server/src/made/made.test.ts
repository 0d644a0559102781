import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { wearMade } from '@outfit/core/anatomy'
import type { Part, Placement } from '@outfit/core/catalogue'
import type { MadeItem, MadeItems, MadeSaved } from '@outfit/core/made'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import type { SourcingProblem } from '@outfit/core/sourcing'
import type { Recipe } from '@outfit/core/show'
import type { WorkbenchPlan } from '@outfit/core/workbench'
import { jobEnd, startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const all = async () => (await server.get<MadeItems>('made')).body
const named = async (name: string) => (await all()).items.find((item) => item.name === name)!
const assembly = async () => {
  const { items } = (await server.get<{ items: { part: Part }[] }>('parts?slot=torso&limit=500')).body
  return items.find(({ part }) => part.components.length > 0)!.part.code
}
const outfitNamed = async (name: string) => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const { id } = rosters.flatMap(({ outfits }) => outfits).find((outfit) => outfit.name.startsWith(name))!
  return (await server.get<OutfitDetail>(`outfits/${id}`)).body
}
interface Saved {
  outfit: string
  take: string
  version: number
  placements: readonly Placement[]
}

const bodyOf = ({ id: _id, version: _version, wornBy: _wornBy, ...body }: MadeItem) => body
const save = ({ outfit, take, version, placements }: Saved) =>
  server.send<{ version: number }>('PUT', `outfits/${outfit}/takes/${take}`, {
    version,
    placements,
  })
/** Put something on the chosen take of an outfit in one slot. */
async function dressed(name: string, slot: Placement['slot'], item: MadeItem) {
  const outfit = await outfitNamed(name)
  const take = outfit.takes.find(({ chosen }) => chosen)!
  const placements = wearMade(take.placements, slot, item)
  expect((await save({ outfit: outfit.id, take: take.id, version: outfit.version, placements })).status).toBe(200)
  return { outfit: outfit.id, take: take.id, placements }
}

describe('things made of several parts', () => {
  test('come with the sample world, with what drawing them takes, and with who wears them', async () => {
    const { items, parts: known } = await all()
    expect(items.map(({ name, as, pieces }) => [name, as, pieces.length])).toEqual([
      ['Forge staff', 'held', 4],
      ['Net cart', 'beside', 5],
      ['Punt', 'lower', 5],
    ])
    const codes = new Set(known.map(({ code }) => code))
    expect(items.flatMap(({ pieces }) => pieces).every(({ part }) => codes.has(part))).toBe(true)
    expect(items.map(({ wornBy }) => wornBy.map(({ name }) => name))).toEqual([
      ['Roon, the forge'],
      ['Abe, nets'],
      ['Sea maid'],
    ])
    const roon = await outfitNamed('Roon, the forge')
    const second = roon.takes.find(({ label }) => label === 'B')!
    expect(second.placements.filter(({ made }) => made?.name === 'Forge staff').map(({ order }) => order)).toEqual([
      0, 1, 2, 3,
    ])
  })

  test('are made, refused with what is wrong by its place, and removed', async () => {
    const body = { ...bodyOf(await named('Forge staff')), name: 'Second staff' }
    const made = await server.send<MadeSaved>('POST', 'made', body)
    expect(made.status).toBe(201)
    expect(bodyOf(await named('Second staff'))).toEqual(body)
    const refused = async (change: Partial<MadeItem>) => {
      const { status, body: told } = await server.send<{ errors: { field: string }[] }>('POST', 'made', {
        ...body,
        name: 'Third staff',
        ...change,
      })
      return [status, told.errors[0]!.field]
    }
    const [first] = body.pieces
    expect(await refused({ name: 'Forge staff' })).toEqual([400, 'name'])
    expect(await refused({ as: 'lower', height: 0 })).toEqual([400, 'height'])
    expect(await refused({ pieces: [{ ...first!, part: 'P-NONE' }] })).toEqual([400, 'pieces[0].part'])
    expect(await refused({ pieces: [] })).toEqual([400, 'pieces'])
    expect(await refused({ pieces: [{ ...first!, x: 900 }] })).toEqual([400, 'pieces[0].x'])
    expect(await refused({ bands: [{ ...body.bands[0]!, colour: 'none' }] })).toEqual([400, 'bands[0].colour'])
    expect(await refused({ pieces: [{ ...first!, part: await assembly() }] })).toEqual([400, 'pieces[0].part'])
    expect((await all()).items.some(({ name }) => name === 'Third staff')).toBe(false)
    expect((await server.send('DELETE', `made/${made.body.id}`)).status).toBe(204)
    expect((await server.send('DELETE', `made/${made.body.id}`)).status).toBe(404)
    // Put back, it is the same to whoever wears it; twice it is not.
    const back = () => server.send<MadeSaved>('POST', 'made', { ...body, id: made.body.id })
    const [once, again] = [await back(), await back()]
    expect([once.status, once.body.id, again.status]).toEqual([201, made.body.id, 409])
    expect((await server.send('DELETE', `made/${made.body.id}`)).status).toBe(204)
  })

  test('keep the parts they are made of from being removed', async () => {
    const { pieces } = await named('Forge staff')
    expect((await server.send('DELETE', `catalogue/parts/${pieces[0]!.part}`)).status).toBe(409)
  })

  test('count as their pieces: in what is bought, on the card, at the workbench, and in a recipe', async () => {
    const staff = await named('Forge staff')
    const wanted = async (outfit: string) => {
      const { job } = (await server.send<{ job: string }>('POST', 'plans', { outfit, seconds: 1 })).body
      await jobEnd(server, job)
      const { needs } = (await server.get<SourcingProblem>(`plans/${job}/problem.json`)).body
      return new Map(needs.map(({ accept, qty }) => [accept[0]!.part, qty] as const))
    }
    const before = await wanted((await outfitNamed('Otto, fish')).id)
    const { outfit, take } = await dressed('Otto, fish', 'heldRight', staff)
    const after = await wanted(outfit)
    const counts = new Map<string, number>()
    for (const { part } of staff.pieces) counts.set(part, (counts.get(part) ?? 0) + 1)
    for (const [part, qty] of counts) expect((after.get(part) ?? 0) - (before.get(part) ?? 0)).toBe(qty)
    // Once its pieces lie in the drawer, they are its own, and it is put together before it is held.
    const things = [...counts].map(([code, qty]) => ({ kind: 'part', code, qty }))
    const brought = { things, bin: 'B10', together: false, condition: 'new', text: 'bought' }
    expect((await server.send('POST', 'drawer/brought-in', brought)).status).toBe(201)
    const plan = (await server.get<WorkbenchPlan>(`outfits/${outfit}/workbench`)).body
    expect(plan.steps.map(({ title }) => title)).toContain('Put forge staff together: with tar string')
    const { body: card } = await server.get<string>(`outfits/${outfit}/card.svg?take=${take}`)
    expect(card.match(/Forge staff:/g)?.length).toBe(counts.size)
    const otto = await outfitNamed('Otto, fish')
    const recipe = (await server.get<Recipe>(`rosters/${otto.roster.id}/recipe.json`)).body
    const told = recipe.outfits.find(({ name }) => name === 'Otto, fish')!.placements.filter(({ made }) => made)
    expect(told.map(({ part }) => part.code)).toEqual(staff.pieces.map(({ part }) => part))
    expect(told[0]!.made!.bands![0]!.colour).toMatchObject({ code: 'tar', hex: expect.stringMatching(/^#/) })
    const taken = await server.send<{ outfits: number }>('POST', 'recipes', { name: 'Handed on', recipe })
    expect(taken.status).toBe(201)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const handed = rosters.find(({ name }) => name === 'Handed on')!.outfits.find(({ name }) => name === 'Otto, fish')!
    const copy = (await server.get<OutfitDetail>(`outfits/${handed.id}`)).body.takes.flatMap(({ placements }) =>
      placements.filter(({ made }) => made?.piece === 0),
    )
    expect(copy.some(({ made }) => made!.kept === true && made!.bands?.[0]?.colour === 'tar')).toBe(true)
  })

  test('change for whoever wears them, but not for copies that are kept; with their version', async () => {
    const staff = await named('Forge staff')
    const follows = await dressed('Otto, fish', 'heldRight', staff)
    const keeps = await outfitNamed('Lune, bread')
    const take = keeps.takes.find(({ chosen }) => chosen)!
    const placements = wearMade(take.placements, 'heldRight', staff).map((placement) =>
      placement.made ? { ...placement, made: { ...placement.made, kept: true as const } } : placement,
    )
    await save({ outfit: keeps.id, take: take.id, version: keeps.version, placements })
    const body = { ...bodyOf(staff), name: 'Plain staff', pieces: staff.pieces.slice(0, 2) }
    const saved = await server.send<MadeSaved>('PUT', `made/${staff.id}`, { ...body, version: staff.version })
    expect(saved.body).toMatchObject({ version: staff.version + 1, followed: 2 })
    const wornBy = async (id: string) =>
      (await server.get<OutfitDetail>(`outfits/${id}`)).body.takes
        .find(({ chosen }) => chosen)!
        .placements.flatMap(({ made }) => made?.name ?? [])
    expect(await wornBy(follows.outfit)).toEqual(['Plain staff', 'Plain staff'])
    expect(await wornBy(keeps.id)).toEqual(Array.from({ length: 4 }, () => 'Forge staff'))
    const stale = await server.send('PUT', `made/${staff.id}`, { ...body, version: staff.version })
    expect(stale.status).toBe(409)
    const elsewhere = await server.send<{ errors: { field: string }[] }>('PUT', `made/${staff.id}`, {
      ...body,
      as: 'beside',
      version: saved.body.version,
    })
    expect([elsewhere.status, elsewhere.body.errors[0]!.field]).toEqual([400, 'as'])
    // Removed, they stay on whoever wears them.
    expect((await server.send('DELETE', `made/${staff.id}`)).status).toBe(204)
    expect(await wornBy(follows.outfit)).toEqual(['Plain staff', 'Plain staff'])
  })
})

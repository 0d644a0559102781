import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { emptyBrief, type Brief } from '@outfit/core/brief'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { BriefEntity } from '../schema/brief.ts'
import { CharacterEntity, OutfitEntity, TakeEntity } from '../schema/roster.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const shelves = async () => (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
const named = async (name: string) => (await shelves()).find((roster) => roster.name === name)!
const counts = () =>
  Promise.all([CharacterEntity, OutfitEntity, TakeEntity, BriefEntity].map((entity) => server.count(entity)))
const begin = (more: object = {}) =>
  server.send<ProblemBody & { id: string }>('POST', 'rosters', {
    name: 'Lock keepers',
    note: '',
    school: 'altered',
    ...more,
  })
const add = (roster: RosterShelf, characters: object[], version = roster.version) =>
  server.send<ProblemBody & { outfits: string[] }>('POST', `rosters/${roster.id}/characters`, {
    version,
    characters,
  })
const somebody = (name: string, more: object = {}) => ({ name, faction: '', notes: '', ...more })

const BRIEF: Brief = {
  ...emptyBrief('middle'),
  wishes: [{ place: 'head', trait: 'beard', target: 'full', weight: 'must' }],
  years: 9,
  notes: 'beard (must)',
}

describe('a new roster', () => {
  test('stands behind the others, empty, under its school', async () => {
    expect((await begin({ budget: 5000, dueOn: '2027-01-31' })).status).toBe(201)
    const roster = (await shelves()).at(-1)!
    expect(roster).toMatchObject({
      name: 'Lock keepers',
      rules: 'altered',
      budget: 5000,
      dueOn: '2027-01-31',
      outfits: [],
    })
  })

  test.each<[string, object, string]>([
    ['a name that is taken', { name: 'Ferry people' }, 'name'],
    ['no name', { name: '' }, 'name'],
    ['a school there is not', { name: 'X', school: 'none' }, 'school'],
    ['a day that is none', { name: 'X', dueOn: 'soon' }, 'dueOn'],
    ['a day no month has', { name: 'X', dueOn: '2027-02-30' }, 'dueOn'],
    ['a budget below nothing', { name: 'X', budget: -1 }, 'budget'],
  ])('%s is refused by field', async (_what, more, field) => {
    const before = await shelves()
    const { status, body } = await begin(more)
    expect([status, body.errors[0]?.field]).toEqual([400, field])
    expect(await shelves()).toEqual(before)
  })
})

describe('outfits of a roster', () => {
  interface Told extends ProblemBody {
    collided: { id: string; name: string; field: string; now: unknown }[]
  }
  const call = (roster: RosterShelf, outfits: object[]) =>
    server.send<Told>('PUT', `rosters/${roster.id}/outfits`, { outfits })
  const changed = ({ id, name, faction }: ShelfOutfit, set: object, was: object = { name, faction }) => ({
    id,
    set,
    was,
  })

  test('are called otherwise and put into factions, many at once', async () => {
    const crew = await named('Ferry people')
    const two = crew.outfits.slice(0, 2)
    const { status, body } = await call(
      crew,
      two.map((outfit) => changed(outfit, { name: `${outfit.name} II`, faction: 'Reserve', stature: 'raised' })),
    )
    expect([status, body.collided]).toEqual([200, []])
    const after = await named('Ferry people')
    for (const { id, name } of two)
      expect(after.outfits.find((outfit) => outfit.id === id)).toMatchObject({
        name: `${name} II`,
        faction: 'Reserve',
        stature: 'raised',
      })
    expect(after.version).toBe(crew.version + 1)
  })

  test('changed in two windows merge, and where both changed the same the first stays and is told', async () => {
    const market = await named('Night market')
    const [one, other] = market.outfits
    expect((await call(market, [changed(one!, { faction: 'Guests' })])).body.collided).toEqual([])
    // The second window still shows what was there before.
    const { status, body } = await call(market, [
      changed(one!, { faction: 'Bakers', name: 'Somebody else' }),
      changed(other!, { faction: 'Bakers' }),
    ])
    expect(status).toBe(200)
    expect(body.collided).toEqual([{ id: one!.id, name: one!.name, field: 'faction', now: 'Guests' }])
    const after = (await named('Night market')).outfits
    expect(after.find(({ id }) => id === one!.id)).toMatchObject({ faction: 'Guests', name: 'Somebody else' })
    expect(after.find(({ id }) => id === other!.id)!.faction).toBe('Bakers')
  })

  test('do otherwise than the house rules only with a reason, and by figures there are', async () => {
    const market = await named('Night market')
    const [one] = market.outfits
    const rules = (set: object) => call(market, [{ id: one!.id, set, was: {} }])
    const field = async (set: object) => (await rules(set)).body.errors[0]!.field
    expect(await field({ switches: { turnedTorsos: false } })).toBe('outfits[0].set.switchesReason')
    const excluded = { figures: ['F-NONE'], releases: [] }
    expect(await field({ switches: { excluded }, switchesReason: 'Because' })).toBe(
      'outfits[0].set.switches.excluded.figures[0]',
    )
    const differs = { switches: { turnedTorsos: false }, switchesReason: 'Shy of his back' }
    expect((await rules(differs)).status).toBe(200)
    const changed = async () => (await named('Night market')).outfits.find(({ id }) => id === one!.id)!
    expect(await changed()).toMatchObject(differs)
    // And back, as the undo of many at once does it.
    await call(market, [
      { id: one!.id, set: { switches: one!.switches, switchesReason: one!.switchesReason }, was: differs },
    ])
    const { switches, switchesReason } = await changed()
    expect([switches, switchesReason]).toEqual([{}, ''])
  })

  test('of another roster are not touched, and one fault stops all', async () => {
    const [crew, ferry] = [await named('The Heron crew'), await named('Ferry people')]
    const own = changed(crew.outfits[0]!, { name: 'Somebody else' })
    const foreign = changed(ferry.outfits[0]!, { name: 'Mine now' })
    expect((await call(crew, [own, foreign])).status).toBe(404)
    const field = async (set: object) => (await call(crew, [changed(crew.outfits[0]!, set)])).body.errors[0]!.field
    expect(await field({ name: '' })).toBe('outfits[0].set.name')
    expect(await field({ stature: 'huge' })).toBe('outfits[0].set.stature')
    expect((await call(crew, [own, changed(crew.outfits[1]!, { base: 'F-NONE' })])).body.errors[0]!.field).toBe(
      'outfits[1].set.base',
    )
    expect(await named('The Heron crew')).toEqual(crew)
  })
})

describe('characters by the dozen', () => {
  test('come with an outfit each, a brief by age and an empty take, ready for the bench', async () => {
    const roster = await named('Lock keepers')
    const { status, body } = await add(roster, [
      somebody('Ada', { years: 6, faction: 'Children', notes: 'The smallest.' }),
      somebody('Bo', { years: 40 }),
      somebody('Cy', { brief: BRIEF }),
    ])
    expect([status, body.outfits.length]).toEqual([201, 3])
    const after = await named('Lock keepers')
    expect(after.outfits.map(({ name, faction, placements }) => [name, faction, placements.length])).toEqual([
      ['Ada', 'Children', 0],
      ['Bo', '', 0],
      ['Cy', '', 0],
    ])
    const cy = (await server.get<OutfitDetail>(`outfits/${after.outfits[2]!.id}`)).body
    expect([cy.stature, cy.brief]).toEqual(['middle', BRIEF])
    const ada = (await server.get<OutfitDetail>(`outfits/${after.outfits[0]!.id}`)).body
    expect(ada).toMatchObject({
      stature: 'short',
      briefVersion: 1,
      brief: { years: 6, notes: 'The smallest.' },
      takes: [{ label: 'A', chosen: true, placements: [] }],
    })
  })

  test('are taken off again with all they have', async () => {
    const before = await counts()
    const roster = await named('Lock keepers')
    const { body } = await add(roster, [somebody('Di'), somebody('Ed')])
    const off = await server.send('DELETE', `rosters/${roster.id}/outfits`, { outfits: body.outfits })
    expect(off.status).toBe(200)
    expect(await counts()).toEqual(before)
    expect((await server.send('DELETE', `rosters/${roster.id}/outfits`, { outfits: body.outfits })).status).toBe(404)
  })

  test.each<[string, object[], number | undefined, number, string]>([
    ['an older version', [somebody('Fay')], 1, 409, 'version'],
    ['nobody', [], undefined, 400, 'characters'],
    ['one without a name', [somebody('Fay'), somebody('')], undefined, 400, 'characters[1].name'],
    [
      'a brief that makes no sense',
      [somebody('Fay', { brief: { ...BRIEF, wishes: [{ ...BRIEF.wishes[0], trait: 'boot' }] } })],
      undefined,
      400,
      'characters[0].brief.wishes[0].trait',
    ],
    ['an age that is none', [somebody('Fay', { years: -3 })], undefined, 400, 'characters[0].years'],
  ])('%s is refused, and nothing is written', async (_what, characters, version, status, field) => {
    const before = await counts()
    const answer = await add(await named('Lock keepers'), characters, version)
    expect([answer.status, answer.body.errors[0]?.field]).toEqual([status, field])
    expect(await counts()).toEqual(before)
  })
})

describe('the same person at another age', () => {
  test('is dressed as then, and has a head for each age; unless that is not wanted', async () => {
    const isGrown = ({ placements, years }: ShelfOutfit) =>
      years !== null && years > 13 && years < 60 && placements.some(({ slot }) => slot === 'head')
    const single = ({ outfits }: RosterShelf) =>
      outfits.find(
        (one) => isGrown(one) && outfits.filter(({ characterId }) => characterId === one.characterId).length === 1,
      )
    const crew = (await shelves()).find(single)!
    const grown = single(crew)!
    const another = async (name: string, aged: boolean) => {
      const { status, body } = await server.send<{ id: string; changed: string[]; stays: string[] }>(
        'POST',
        `rosters/${crew.id}/outfits`,
        { character: grown.characterId, name, from: grown.id, years: 72, aged },
      )
      expect(status).toBe(201)
      const outfit = (await server.get<OutfitDetail>(`outfits/${body.id}`)).body
      return { ...body, outfit, worn: outfit.takes[0]!.placements }
    }
    const old = await another('In old age', true)
    const head = (list: readonly { slot: string; part: string }[]) => list.find(({ slot }) => slot === 'head')!.part
    expect(head(old.worn)).not.toBe(head(grown.placements))
    expect(old.changed.length).toBeGreaterThan(0)
    expect(old.outfit.brief.years).toBe(72)
    const heads = (await named(crew.name)).heads[grown.characterId]!
    expect(heads).toEqual([
      { from: 0, head: head(grown.placements) },
      { from: 72, head: head(old.worn) },
    ])
    const titles = (await named(crew.name)).outfits.find(({ id }) => id === old.id)!.pins.map(({ title }) => title)
    expect(titles.some((title) => title.endsWith('has another head elsewhere'))).toBe(false)
    const plain = await another('Unchanged', false)
    expect([head(plain.worn), plain.changed]).toEqual([head(grown.placements), []])
  })
})

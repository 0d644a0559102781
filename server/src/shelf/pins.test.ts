import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { catalogueOf, type Colour, type Mould, type Part, type Print } from '@outfit/core/catalogue'
import { fittingContextOf, isAccepted, pinsOf, RULES } from '@outfit/core/fitting'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
let rosters: RosterShelf[]
let details: OutfitDetail[]
let basics: { colours: Colour[]; moulds: Mould[]; unmade: string[] }
beforeAll(async () => {
  server = await startServer()
  rosters = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
  basics = (await server.get<typeof basics>('catalogue/basics')).body
  details = await Promise.all(
    rosters
      .flatMap(({ outfits }) => outfits)
      .map(async ({ id }) => (await server.get<OutfitDetail>(`outfits/${id}`)).body),
  )
})
afterAll(() => server.stop())

/** What the bench works with: the parts that come with an outfit. */
const contextOf = (outfit: OutfitDetail) =>
  fittingContextOf(
    outfit,
    catalogueOf({ ...basics, parts: outfit.parts as Part[], prints: outfit.prints as Print[] }),
    {
      lowest: outfit.lowest,
      unmade: new Set(basics.unmade),
    },
  )

/** What each outfit's bench shows as pins that are not accepted, and what its shelf tells. */
const both = (shelves: readonly RosterShelf[], benches: readonly OutfitDetail[]) =>
  benches.map((outfit) => {
    const chosen = outfit.takes.find((take) => take.chosen)!
    const pins = pinsOf(chosen.placements, contextOf(outfit)).filter((pin) => !isAccepted(pin, chosen.accepted))
    return {
      name: outfit.name,
      bench: pins.map(({ severity, title, detail }) => ({ severity, title, detail })),
      shelf: shelves.flatMap(({ outfits }) => outfits).find(({ id }) => id === outfit.id)!.pins,
    }
  })

test('shelves tell the pins the bench shows, but for those that are accepted', () => {
  for (const { name, bench, shelf } of both(rosters, details)) expect([name, shelf]).toEqual([name, bench])
})

describe('the sample outfits', () => {
  test.each(Object.entries(RULES))('%s is raised by one and not by another', (_name, rule) => {
    const raised = details.flatMap((outfit) =>
      outfit.takes.map(({ placements }) => rule(placements, contextOf(outfit)).length > 0),
    )
    expect(raised).toContain(true)
    expect(raised).toContain(false)
  })

  test('raise six pins at most', () => {
    for (const outfit of details)
      for (const { label, placements } of outfit.takes)
        expect([outfit.name, label, pinsOf(placements, contextOf(outfit)).length <= 6]).toEqual([
          outfit.name,
          label,
          true,
        ])
  })
})

test('an accepted pin is off the shelf until its cause changes', async () => {
  const bram = details.find(({ name }) => name === 'Bram, engines')!
  const take = bram.takes.find(({ chosen }) => chosen)!
  const pin = pinsOf(take.placements, contextOf(bram)).find(({ rule }) => rule === 'neck-stack')!
  const body = { version: bram.version, pin: 'neck-stack neck', cause: pin.detail, reason: 'It is a storm.' }
  expect((await server.send('PUT', `outfits/${bram.id}/takes/${take.id}/accepted`, body)).status).toBe(200)
  const shelf = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters[0]!
  const titles = shelf.outfits.find(({ id }) => id === bram.id)!.pins.map(({ title }) => title)
  expect(titles).not.toContain(pin.title)
})

test('pins of the shelf follow what is worn, said, allowed, owned and asked for', async () => {
  // Somebody who lacks a part another has: more of it puts that right.
  const lacks = details.flatMap((outfit) =>
    outfit.takes
      .filter(({ chosen }) => chosen)
      .flatMap(({ placements }) =>
        RULES.onePartOneFigure(placements, contextOf(outfit)).map(({ slots }) => ({
          roster: outfit.roster.id,
          part: placements.find(({ slot }) => slot === slots[0])!.part,
        })),
      ),
  )[0]!
  const crew = details.filter(({ roster }) => roster.id === lacks.roster)
  const [first, second] = crew as [OutfitDetail, OutfitDetail]
  const chosen = second.takes.find((take) => take.chosen)!
  const told = async () => {
    const shelves = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
    const benches = await Promise.all(
      crew.map(async ({ id }) => (await server.get<OutfitDetail>(`outfits/${id}`)).body),
    )
    for (const { name, bench, shelf } of both(shelves, benches)) expect([name, shelf]).toEqual([name, bench])
    return JSON.stringify(shelves.find(({ id }) => id === lacks.roster)!.outfits.map(({ pins }) => pins))
  }
  const roster = async () =>
    (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find(({ id }) => id === lacks.roster)!
  const changes: Record<string, () => Promise<{ status: number }>> = {
    worn: () =>
      server.send('PUT', `outfits/${second.id}/takes/${chosen.id}`, {
        version: second.version,
        placements: chosen.placements.filter(({ slot }) => slot !== 'head'),
      }),
    said: () =>
      server.send('PUT', `outfits/${first.id}/brief`, {
        version: first.briefVersion,
        brief: { ...first.brief, stature: 'short', statureWeight: 'must' },
      }),
    allowed: async () => {
      const { id, version, rules } = await roster()
      return server.send('PUT', `rosters/${id}/rules`, { version, school: rules, switches: { mostMainColours: 1 } })
    },
    asked: () =>
      server.send('PUT', 'sellers/tin-whistle/offers', {
        kind: 'part',
        thing: lacks.part,
        condition: 'new',
        stock: 1,
        multiple: 1,
        price: 1,
      }),
    owned: () =>
      server.send('POST', 'drawer/brought-in', {
        things: [{ kind: 'part', code: lacks.part, qty: 3 }],
        bin: 'B1',
        together: false,
        condition: 'used',
        text: '',
      }),
  }
  let before = await told()
  for (const [name, change] of Object.entries(changes)) {
    expect([name, (await change()).status < 300]).toEqual([name, true])
    const after = await told()
    if (name !== 'asked') expect([name, after !== before]).toEqual([name, true])
    before = after
  }
})

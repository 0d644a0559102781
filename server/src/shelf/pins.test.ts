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

test('shelves tell the pins the bench shows, but for those that are accepted', () => {
  for (const outfit of details) {
    const chosen = outfit.takes.find((take) => take.chosen)!
    const pins = pinsOf(chosen.placements, contextOf(outfit)).filter((pin) => !isAccepted(pin, chosen.accepted))
    const shelved = rosters.flatMap(({ outfits }) => outfits).find(({ id }) => id === outfit.id)!.pins
    expect([outfit.name, shelved]).toEqual([
      outfit.name,
      pins.map(({ severity, title, detail }) => ({ severity, title, detail })),
    ])
  }
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

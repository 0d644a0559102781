import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { emptyBrief } from '@outfit/core/brief'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { BriefEntity } from '../schema/brief.ts'
import { RosterEntity, TakeEntity } from '../schema/roster.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const file = (outfit: object) => ({
  format: 'outfit.rosters',
  version: 1,
  rosters: [
    {
      name: 'One more',
      note: '',
      rules: 'exchange-only',
      currency: 'EUR',
      characters: [
        {
          name: 'Somebody',
          outfits: [{ name: 'Somebody', faction: '', stature: 'full', takes: [], ...outfit }],
        },
      ],
    },
  ],
})
const bring = (outfit: object) => server.send<ProblemBody>('POST', 'rosters/import', file(outfit))
const counts = async () => Promise.all([RosterEntity, TakeEntity, BriefEntity].map((entity) => server.count(entity)))
const path = 'rosters[0].characters[0].outfits[0].'
const place = (part: string) => ({ slot: 'headgear', part, order: 0, turned: false })

describe('rosters of a file', () => {
  test.each([
    [
      'a wish for what the place does not have',
      { brief: { ...emptyBrief(), wishes: [{ place: 'hands', trait: 'item', target: 'oar', weight: 'must' }] } },
      `${path}brief.wishes[0].trait`,
    ],
    [
      'a colour that is none',
      { brief: { ...emptyBrief(), wishes: [{ place: 'head', trait: 'skin', target: 'pale', weight: 'must' }] } },
      `${path}brief.wishes[0].target`,
    ],
    [
      'a release to avoid that is unknown',
      { brief: { ...emptyBrief(), avoid: { ...emptyBrief().avoid, releases: ['Q-NONE'] } } },
      `${path}brief.avoid.releases[0]`,
    ],
    ['a weight there is not', { brief: { ...emptyBrief(), statureWeight: 'heavy' } }, `${path}brief.statureWeight`],
    ['a picture that is no hash', { references: [{ photo: 'face.png', caption: '' }] }, `${path}references[0].photo`],
    [
      'a part there is not',
      { takes: [{ label: 'A', chosen: true, placements: [place('P-NONE')] }] },
      `${path}takes[0].placements[0].part`,
    ],
  ])('with %s are refused by the path of the fault, and nothing is written', async (_what, outfit, field) => {
    const before = await counts()
    const { status, body } = await bring(outfit)
    expect([status, body.errors[0]?.field]).toEqual([400, field])
    expect(await counts()).toEqual(before)
  })

  const bringRoster = (more: object, outfits: object[] = []) => {
    const { rosters, ...rest } = file({})
    const [roster] = rosters
    const [character] = roster!.characters
    const all = [...character!.outfits, ...outfits]
    const one = { ...roster, name: 'Whole', characters: [{ ...character, outfits: all }], ...more }
    return server.send<ProblemBody>('POST', 'rosters/import', { ...rest, rosters: [one] })
  }
  const parcel = {
    seller: 'lock-nine',
    orderedOn: '2026-11-01',
    expectedOn: '2026-11-09',
    currency: 'EUR',
    shipping: 300,
    handling: 0,
    lines: [{ part: 'P-00001', qty: 1, price: 50 }],
  }

  test.each<[string, object, string]>([
    ['a parcel of an unknown seller', { parcels: [{ ...parcel, seller: 'nobody' }] }, 'parcels[0].seller'],
    [
      'a parcel with an unknown part',
      { parcels: [parcel, { ...parcel, lines: [{ part: 'P-NONE', qty: 1, price: 1 }] }] },
      'parcels[1].lines[0].part',
    ],
    [
      'a choice about somebody else',
      { preferences: [{ better: 'Somebody', worse: 'Nobody', at: '2026-11-01' }] },
      'preferences[0].worse',
    ],
    [
      'a uniform that is none',
      { uniforms: [{ name: 'Kit', placements: [place('P-NONE')] }] },
      'uniforms[0].placements[0].part',
    ],
    [
      'a head by age there is not',
      { characters: [{ name: 'Somebody', outfits: [], heads: [{ from: 3, head: 'P-NONE' }] }] },
      'characters[0].heads[0].placements[0].part',
    ],
  ])('with %s are refused by the path of the fault', async (_what, more, field) => {
    const before = await counts()
    const { status, body } = await bringRoster(more)
    expect([status, body.errors[0]?.field]).toEqual([400, `rosters[0].${field}`])
    expect(await counts()).toEqual(before)
  })

  test.each([
    ['a released figure there is not', { base: 'F-NONE' }, 'base'],
    ['a uniform its roster has not', { uniform: 'Kit' }, 'uniform'],
  ])('with %s are refused too', async (_what, outfit, field) => {
    const { status, body } = await bring(outfit)
    expect([status, body.errors[0]?.field]).toEqual([400, path + field])
  })

  test('stand built or nothing of them is written', async () => {
    const before = await counts()
    // There is one such bob in the drawer, and it cannot stand on two figures.
    const bob = (name: string) => ({
      name,
      faction: '',
      stature: 'full',
      built: '2026-11-01',
      takes: [{ label: 'A', chosen: true, placements: [place(spare)] }],
    })
    const lying = async (code: string) =>
      (await server.get<{ bins: { bin: string; qty: number }[] }>(`parts/${code}`)).body.bins
    const headgear = (await server.get<{ items: { part: { code: string } }[] }>('parts?slot=headgear&limit=500')).body
    let spare = ''
    for (const { part } of headgear.items) {
      const bins = await lying(part.code)
      if (bins.length === 1 && bins[0]!.qty === 1 && bins[0]!.bin.startsWith('B')) spare = part.code
    }
    const placed = await lying(spare)
    const { status, body } = await bringRoster({}, [bob('First'), bob('Second')])
    expect([status, body.detail]).toEqual([409, expect.stringContaining('Second lacks one part')])
    expect(await counts()).toEqual(before)
    expect(await lying(spare)).toEqual(placed)
  })

  test('may have two outfits of one name, each with a place of its own', async () => {
    const twin = { name: 'Somebody', faction: '', stature: 'full', takes: [] }
    expect((await bringRoster({ name: 'Twins' }, [twin, { ...twin, name: 'Last' }])).status).toBe(201)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const names = rosters.find(({ name }) => name === 'Twins')!.outfits.map(({ name }) => name)
    expect(names).toEqual(['Somebody', 'Somebody', 'Last'])
  })

  test('come with their briefs and the reasons of their verdicts', async () => {
    const brief = { ...emptyBrief('short'), years: 6, notes: 'Small.' }
    const takes = [
      { label: 'A', chosen: false, placements: [place('P-00001')] },
      { label: 'B', chosen: true, reason: 'Shorter hair.', placements: [place('P-00002')] },
    ]
    expect((await bring({ brief, takes })).status).toBe(201)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const { id } = rosters.find(({ name }) => name === 'One more')!.outfits[0]!
    const outfit = (await server.get<OutfitDetail>(`outfits/${id}`)).body
    expect(outfit.brief).toEqual(brief)
    expect([outfit.stature, outfit.briefVersion]).toEqual(['short', 1])
    expect(
      outfit.takes.map(({ label, chosen, reason, voters, accepted }) => [label, chosen, reason, voters, accepted]),
    ).toEqual([
      ['A', false, '', [], []],
      ['B', true, 'Shorter hair.', [], []],
    ])
  })

  test('an outfit without a brief has an empty one, ready to be written', async () => {
    expect((await bring({ name: 'Bare' })).status).toBe(201)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const { id } = rosters.flatMap(({ outfits }) => outfits).find(({ name }) => name === 'Bare')!
    const outfit = (await server.get<OutfitDetail>(`outfits/${id}`)).body
    expect([outfit.briefVersion, outfit.brief, outfit.references]).toEqual([0, emptyBrief('full'), []])
    const saved = await server.send<{ briefVersion: number }>('PUT', `outfits/${id}/brief`, {
      version: 0,
      brief: { ...emptyBrief('full'), notes: 'Begun.' },
    })
    expect([saved.status, saved.body.briefVersion]).toEqual([200, 1])
  })
})

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { emptyBrief } from '@outfit/core/brief'
import type { OutfitDetail, RosterShelf } from '@outfit/core/roster'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { BriefEntity } from '../brief/entities.ts'
import { RosterEntity, TakeEntity } from './entities.ts'

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

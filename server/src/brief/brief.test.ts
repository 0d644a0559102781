import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { emptyBrief, likenessOf, type Brief, type WishTemplate } from '@outfit/core/brief'
import { catalogueOf, type Colour, type Mould } from '@outfit/core/catalogue'
import type { OutfitDetail, Reference } from '@outfit/core/roster'
import type { TeamMember } from '@outfit/core/teams'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { ReferenceEntity } from '../schema/brief.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const all = async () =>
  (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.flatMap(({ outfits }) => outfits)
const detail = async (id: string) => (await server.get<OutfitDetail>(`outfits/${id}`)).body
const named = async (name: string) => detail((await all()).find((outfit) => outfit.name.startsWith(name))!.id)
const save = (outfit: string, version: number, brief: unknown) =>
  server.send<ProblemBody & { briefVersion: number; avoided: string[] }>('PUT', `outfits/${outfit}/brief`, {
    version,
    brief,
  })

describe('the sample briefs', () => {
  test('every outfit with wishes has a chosen take that answers much of them; the ferry and its crew have pictures', async () => {
    const basics = (await server.get<{ colours: Colour[]; moulds: Mould[] }>('catalogue/basics')).body
    let [wished, pictured] = [0, 0]
    for (const { id, name } of await all()) {
      const outfit = await detail(id)
      expect(outfit.briefVersion).toBe(1)
      if (outfit.brief.wishes.length === 0) continue
      wished += 1
      if (['Ferry people', 'The Heron crew'].includes(outfit.roster.name)) {
        pictured += 1
        expect(outfit.references.length).toBeGreaterThan(0)
        expect((await server.get(`photos/${outfit.references[0]!.photo}`)).status).toBe(200)
      }
      const catalogue = catalogueOf({ ...basics, ...outfit })
      const { placements } = outfit.takes.find(({ chosen }) => chosen)!
      const { milli } = likenessOf(placements, outfit.brief, catalogue)
      expect([name, milli > 60_000]).toEqual([name, true])
    }
    // The night market and the band are wished for in words alone.
    expect([wished, pictured]).toEqual([34, 13])
  })

  test('three outfits have three takes', async () => {
    const details = await Promise.all((await all()).map(({ id }) => detail(id)))
    expect(details.filter(({ takes }) => takes.length === 3).map(({ name }) => name)).toEqual([
      'Bram, engines',
      'Teo, tickets',
      'Sea maid',
    ])
  })
})

describe('writing a brief', () => {
  const brief: Brief = {
    ...emptyBrief('raised'),
    wishes: [{ place: 'headgear', trait: 'colour', target: '#A64E2A', weight: 'must' }],
    years: 40,
    notes: 'Tall.',
    credits: 'Nobody',
  }

  test('is kept with its stature and version; a stale one is refused', async () => {
    const { id, briefVersion } = await named('Wen')
    const saved = await save(id, briefVersion, brief)
    expect([saved.status, saved.body.briefVersion]).toEqual([200, briefVersion + 1])
    const now = await detail(id)
    expect(now.brief).toEqual(brief)
    expect(now.stature).toBe('raised')
    const stale = await save(id, briefVersion, { ...brief, notes: 'Late.' })
    expect([stale.status, stale.body.errors[0]!.field]).toEqual([409, 'version'])
    expect((await detail(id)).brief.notes).toBe('Tall.')
  })

  test('what a brief avoids is every part the figures and releases bring', async () => {
    const { id, briefVersion } = await named('Teo')
    const { worn } = (await server.get<{ worn: { part: string }[] }>('figures/F-0001')).body
    const { body } = await save(id, briefVersion, { ...brief, avoid: { ...brief.avoid, figures: ['F-0001'] } })
    expect(body.avoided).toEqual([...new Set(worn.map(({ part }) => part))].sort())
    expect((await detail(id)).avoided).toEqual(body.avoided)
  })

  test.each([
    [{ place: 'held', trait: 'tied', target: 'yes', weight: 'must' }, 'brief.wishes[0].trait'],
    [{ place: 'head', trait: 'skin', target: 'fawn', weight: 'must' }, 'brief.wishes[0].target'],
    [{ place: 'headgear', trait: 'hairLength', target: 'endless', weight: 'nice' }, 'brief.wishes[0].target'],
    [{ place: 'neck', trait: 'shape', target: 'M-NONE', weight: 'nice' }, 'brief.wishes[0].target'],
    [{ place: 'elbow', trait: 'colour', target: '#000000', weight: 'nice' }, 'brief.wishes[0].place'],
    [{ place: 'held', trait: 'item', target: 'oar', weight: 'dearly' }, 'brief.wishes[0].weight'],
  ])('refuses %j by its field', async (wish, field) => {
    const { id, briefVersion } = await named('Ilka')
    const { status, body } = await save(id, briefVersion, { ...brief, wishes: [wish] })
    expect([status, body.errors[0]!.field]).toEqual([400, field])
    expect((await detail(id)).briefVersion).toBe(briefVersion)
  })

  test('refuses figures there are not, and outfits there are not', async () => {
    const { id, briefVersion } = await named('Ilka')
    const { body } = await save(id, briefVersion, { ...brief, avoid: { ...brief.avoid, figures: ['F-NONE'] } })
    expect(body.errors).toEqual([{ field: 'brief.avoid.figures[0]', message: 'there is no figure F-NONE' }])
    expect((await save('NOPE', 0, brief)).status).toBe(404)
  })
})

describe('templates of wishes', () => {
  const keep = (name: string, wishes: unknown) =>
    server.send<ProblemBody & { id: string }>('POST', 'wish-templates', { name, wishes })
  const kept = async () => (await server.get<WishTemplate[]>('wish-templates')).body
  const oar = { place: 'held', trait: 'item', target: 'oar', weight: 'must' }

  test('are kept by name, replaced under the same name, and forgotten', async () => {
    const rower = await keep('Rower', [oar])
    await keep('Ferry guard', [{ place: 'headgear', trait: 'hat', target: 'yes', weight: 'matters' }])
    expect((await kept()).map(({ name }) => name)).toEqual(['Ferry guard', 'Rower'])
    const again = await keep(' Rower ', [oar, { ...oar, trait: 'colour', target: '#AA5522' }])
    expect(again.body.id).toBe(rower.body.id)
    expect((await kept()).find(({ name }) => name === 'Rower')!.wishes).toHaveLength(2)
    expect((await server.send('DELETE', `wish-templates/${rower.body.id}`)).status).toBe(204)
    expect((await server.send('DELETE', `wish-templates/${rower.body.id}`)).status).toBe(404)
    expect(await kept()).toHaveLength(1)
  })

  test('of nothing, or of what makes no sense, are refused', async () => {
    const before = await kept()
    expect((await keep('Nobody', [])).status).toBe(400)
    expect((await keep('', [oar])).status).toBe(400)
    const senseless = await keep('Odd', [{ ...oar, trait: 'skin', target: '#FFFFFF' }])
    expect([senseless.status, senseless.body.errors[0]!.field]).toEqual([400, 'wishes[0].trait'])
    expect(await kept()).toEqual(before)
  })
})

describe('reference pictures', () => {
  const add = (outfit: string, body: object) =>
    server.send<ProblemBody & Reference>('POST', `outfits/${outfit}/references`, body)

  test('of a character stand beside all its outfits, own ones beside one, and both can be taken away', async () => {
    const png = await sharp({ create: { width: 30, height: 40, channels: 3, background: '#a64e2a' } })
      .png()
      .toBuffer()
    const { hash } = (await server.sendFile<{ hash: string }>('photos', new Uint8Array(png))).body
    const [skipper, young] = [await named('Odile, skipper'), await named('Odile at twelve')]
    const shared = await add(skipper.id, { photo: hash, caption: 'Both of her', ownOutfit: false })
    const own = await add(skipper.id, { photo: hash, caption: 'Grown up', ownOutfit: true })
    const captions = async (id: string) => (await detail(id)).references.map(({ caption }) => caption)
    expect((await captions(skipper.id)).slice(1)).toEqual(['Grown up', 'Both of her'])
    expect((await captions(young.id)).slice(1)).toEqual(['Both of her'])
    // On the page of all briefs an own picture stands before one of the character.
    const members = async () =>
      (await server.get<{ members: TeamMember[] }>(`rosters/${skipper.roster.id}/members?cast=`)).body.members
    const photoOf = async (id: string) => (await members()).find(({ outfit }) => outfit === id)!.photo
    expect(await photoOf(skipper.id)).toBe((await detail(skipper.id)).references[0]!.photo)
    expect(await photoOf(young.id)).toBe((await detail(young.id)).references[0]!.photo)
    for (const { id } of [shared.body, own.body])
      expect((await server.send('DELETE', `outfits/${skipper.id}/references/${id}`)).status).toBe(204)
    expect(await captions(skipper.id)).toHaveLength(1)
  })

  test('need a kept photo and a known outfit; nothing is written without', async () => {
    const { id } = await named('Bako')
    const before = await server.count(ReferenceEntity)
    const missing = await add(id, { photo: '0'.repeat(64), caption: '', ownOutfit: true })
    expect([missing.status, missing.body.errors[0]!.field]).toEqual([400, 'photo'])
    expect((await add(id, { photo: 'x', caption: '', ownOutfit: true })).status).toBe(400)
    expect((await add('NOPE', { photo: '0'.repeat(64), caption: '', ownOutfit: true })).status).toBe(404)
    expect((await server.send('DELETE', `outfits/${id}/references/NOPE`)).status).toBe(404)
    expect(await server.count(ReferenceEntity)).toBe(before)
  })

  test('say where the character is, until they say nothing again; points lie in the picture', async () => {
    const { id, references } = await named('Mirre')
    const [picture] = references
    const at = (y: number, x = 0.5) => ({ x, y })
    const points = {
      crown: at(0.1),
      chin: at(0.3),
      shoulderRight: at(0.33, 0.3),
      shoulderLeft: at(0.33, 0.7),
      waist: at(0.5),
      hip: at(0.6),
      knees: at(0.75),
      soles: at(0.95),
    }
    const outline = { box: { x: 0, y: 0, width: 1, height: 1 }, points, height: 0.8 }
    const say = (body: object, reference = picture!.id) =>
      server.send<ProblemBody>('PUT', `outfits/${id}/references/${reference}/outline`, body)
    const said = async () => (await detail(id)).references[0]!.outline
    expect(await said()).toBeNull()
    expect((await say({ outline })).status).toBe(204)
    expect(await said()).toEqual(outline)
    const beside = await say({ outline: { ...outline, points: { ...points, hip: at(1.2) } } })
    expect([beside.status, beside.body.errors[0]!.field]).toEqual([400, 'outline.points.hip.y'])
    const { soles: _left, ...without } = points
    expect((await say({ outline: { ...outline, points: without } })).status).toBe(400)
    expect((await say({ outline }, 'NOPE')).status).toBe(404)
    expect(await said()).toEqual(outline)
    expect((await say({ outline: null })).status).toBe(204)
    expect(await said()).toBeNull()
  })
})

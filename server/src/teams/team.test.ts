import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Placement } from '@outfit/core/catalogue'
import { wornAlike, type OutfitDetail } from '@outfit/core/roster'
import { type RosterShelf } from '@outfit/core/shelf'
import type { TeamMember } from '@outfit/core/teams'
import { MovementEntity } from '../schema/drawer.ts'
import { pdfText } from '../test/pdfText.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const named = async (name: string) =>
  (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find((roster) => roster.name === name)!
const outfit = async (roster: string, name: string) => (await named(roster)).outfits.find((one) => one.name === name)!
const worn = (placements: readonly Placement[], slot: string) => placements.find((p) => p.slot === slot)?.part

describe('a uniform', () => {
  interface Saved extends ProblemBody {
    version: number
    before: { outfit: string; placements: Placement[] }[]
    deviating: { outfit: string; slots: string[] }[]
  }
  const save = (uniform: string, version: number, placements: readonly Placement[], restore?: object[]) =>
    server.send<Saved>('PUT', `uniforms/${uniform}`, { version, placements, restore })

  test('changes with all who did not deviate, names who did, and is changed back', async () => {
    const crew = await named('The Heron crew')
    const [kit] = crew.uniforms
    const tunic = worn((await named('Brass band')).uniforms[0]!.placements, 'torso')!
    const other = kit!.placements.map((p) => (p.slot === 'torso' ? { ...p, part: tunic } : p))
    const { status, body } = await save(kit!.id, kit!.version, other)
    expect(status).toBe(200)
    const pim = crew.outfits.find(({ name }) => name === 'Pim, cox')!
    expect(body.before).toHaveLength(8)
    expect(body.deviating.map((one) => one.outfit)).toEqual([pim.id])
    expect(body.deviating[0]!.slots).toContain('torso')
    const after = await named('The Heron crew')
    for (const { name, placements } of after.outfits)
      expect([name, worn(placements, 'torso') === tunic]).toEqual([name, name !== 'Pim, cox'])
    // An older version of the uniform is refused, and the older of an outfit too.
    expect((await save(kit!.id, kit!.version, kit!.placements)).status).toBe(409)
    const detail = (await server.get<OutfitDetail>(`outfits/${body.before[0]!.outfit}`)).body
    expect(detail.version).toBeGreaterThan(1)
    expect((await save(kit!.id, body.version, kit!.placements, body.before)).body.before).toHaveLength(8)
    const clothes = ({ outfits }: RosterShelf) =>
      outfits.map(({ placements }) => placements.map((one) => JSON.stringify(one)).sort())
    expect(clothes(await named('The Heron crew'))).toEqual(clothes(crew))
  })

  test('is made, joined dressed, left as dressed, and taken away without undressing anybody', async () => {
    const ferry = await named('Ferry people')
    const [odile, other] = ferry.outfits
    const placements = odile!.placements.filter(({ slot }) => slot === 'torso')
    const make = (name: string) =>
      server.send<ProblemBody & { id: string }>('POST', `rosters/${ferry.id}/uniforms`, { name, placements })
    const { id } = (await make('Ferry jacket')).body
    expect((await make('Ferry jacket')).body.errors[0]!.field).toBe('name')
    const join = (uniform: string | null, dressed: boolean, more: object = {}) =>
      server.send<{ before: object[] }>('PUT', `rosters/${ferry.id}/uniformed`, {
        outfits: [{ outfit: other!.id, uniform, ...more }],
        dressed,
      })
    const joined = await join(id, true)
    expect(joined.status).toBe(200)
    const now = await outfit('Ferry people', other!.name)
    expect([now.uniform, worn(now.placements, 'torso')]).toEqual([id, placements[0]!.part])
    // What was answered takes it back to the last placement.
    await server.send('PUT', `rosters/${ferry.id}/uniformed`, { outfits: joined.body.before, dressed: false })
    const back = await outfit('Ferry people', other!.name)
    expect(back.uniform).toBeNull()
    expect(wornAlike(back.placements, other!.placements)).toBe(true)
    await join(id, true)
    await join(null, false)
    const left = await outfit('Ferry people', other!.name)
    expect([left.uniform, wornAlike(left.placements, now.placements)]).toEqual([null, true])
    expect((await join(id, false, { placements: [{ ...placements[0]!, part: 'P-NONE' }] })).status).toBe(400)
    await join(id, false)
    const { body } = await server.send<{ removed: string }>('DELETE', `uniforms/${id}`)
    expect((await outfit('Ferry people', other!.name)).uniform).toBeNull()
    await server.send('POST', `removed/${body.removed}`)
    expect((await outfit('Ferry people', other!.name)).uniform).toBe(id)
    expect((await join('no uniform', true)).status).toBe(404)
    expect((await save(id, 1, [{ ...placements[0]!, part: 'P-NONE' }])).body.errors[0]!.field).toBe(
      'placements[0].part',
    )
  })
})

describe('heads', () => {
  test('are worn by many at once, and what was worn is answered', async () => {
    const crew = await named('The Heron crew')
    const two = crew.outfits.slice(0, 2)
    const head = (part: string): Placement => ({ slot: 'head', part, order: 0, turned: false })
    const [a, b] = two.map(({ placements }) => worn(placements, 'head')!)
    const wear = (outfits: object[]) =>
      server.send<ProblemBody & { before: object[] }>('PUT', `rosters/${crew.id}/heads`, { outfits })
    const swapped = await wear([
      { outfit: two[0]!.id, placements: [head(b!)] },
      { outfit: two[1]!.id, placements: [head(a!)] },
    ])
    expect(worn((await named('The Heron crew')).outfits[0]!.placements, 'head')).toBe(b)
    expect((await wear(swapped.body.before)).status).toBe(200)
    expect((await named('The Heron crew')).outfits.map(({ placements }) => worn(placements, 'head'))).toEqual(
      crew.outfits.map(({ placements }) => worn(placements, 'head')),
    )
    // One that cannot be worn stops all.
    const faulty = [
      { outfit: two[0]!.id, placements: [head(b!)] },
      { outfit: two[1]!.id, placements: [head(worn(two[0]!.placements, 'torso')!)] },
    ]
    expect((await wear(faulty)).status).toBe(400)
    expect(worn((await named('The Heron crew')).outfits[0]!.placements, 'head')).toBe(a)
  })

  test('by age are stated for a character, and the pin about another head falls silent', async () => {
    const ferry = await named('Ferry people')
    const own = ferry.outfits.filter(({ character }) => character === 'Odile Marsh')
    const told = async () =>
      (await named('Ferry people')).outfits
        .flatMap(({ pins }) => pins)
        .filter(({ title }) => title.includes('another head'))
    expect((await told()).length).toBe(2)
    const heads = own.map(({ years, placements }) => ({ from: years!, head: worn(placements, 'head')! }))
    const state = (list: object[]) =>
      server.send<ProblemBody>('PUT', `characters/${own[0]!.characterId}/heads`, { heads: list })
    expect((await state(heads)).status).toBe(204)
    expect(await told()).toEqual([])
    expect((await named('Ferry people')).heads[own[0]!.characterId]).toEqual([...heads].sort((x, y) => x.from - y.from))
    expect((await state([{ from: -1, head: 'x' }])).body.errors[0]!.field).toBe('heads[0].from')
    expect((await state([])).status).toBe(204)
    expect((await told()).length).toBe(2)
  })
})

describe('a casting of a team', () => {
  test('is asked about members with briefs, and spares nobody else has', async () => {
    const band = await named('Brass band')
    const ask = async (cast: string[]) =>
      (
        await server.get<{ members: { outfit: string; avoided: string[] }[]; spare: Record<string, number> }>(
          `rosters/${band.id}/members?cast=${cast.join(',')}`,
        )
      ).body
    const [first] = band.outfits
    const head = worn(first!.placements, 'head')!
    const [none, one] = [await ask([]), await ask([first!.id])]
    expect(none.members.map((member) => member.outfit).sort()).toEqual(band.outfits.map(({ id }) => id).sort())
    // Who is cast gives back what is on their figure.
    expect((one.spare[head] ?? 0) - (none.spare[head] ?? 0)).toBe(1)
    expect((await server.get('rosters/nowhere/members')).status).toBe(404)
  })
})

describe('a built outfit', () => {
  const movements = () => server.count(MovementEntity)

  test('is taken apart into the bins its parts came from, and built again', async () => {
    const [player] = (await named('Brass band')).outfits
    const before = await movements()
    const { body } = await server.send<{ moved: number }>('DELETE', `outfits/${player!.id}/built`)
    expect(body.moved).toBe(player!.placements.length)
    expect(await movements()).toBe(before + player!.placements.length)
    expect((await outfit('Brass band', player!.name)).state).not.toBe('shown')
    expect((await server.send('DELETE', `outfits/${player!.id}/built`)).status).toBe(409)
    const { status } = await server.send('POST', `outfits/${player!.id}/built`)
    expect(status).toBe(201)
    expect((await outfit('Brass band', player!.name)).state).toBe('shown')
    // Built once more moves nothing.
    expect((await server.send<{ moved: number }>('POST', `outfits/${player!.id}/built`)).body.moved).toBe(0)
  })

  test('is refused while parts are missing, and nothing moves', async () => {
    const bram = await outfit('Ferry people', 'Bram, engines')
    const before = await movements()
    const { status, body } = await server.send<ProblemBody>('POST', `outfits/${bram.id}/built`)
    expect([status, body.detail]).toEqual([409, expect.stringContaining('lacks')])
    expect((await server.send('DELETE', `outfits/${bram.id}/built`)).status).toBe(409)
    expect((await server.send('POST', 'outfits/nobody/built')).status).toBe(404)
    expect(await movements()).toBe(before)
  })
})

describe('choices between two', () => {
  test('are kept, turned round and taken back', async () => {
    const market = await named('Night market')
    const [a, b] = market.outfits.map(({ id }) => id)
    const choose = (method: 'POST' | 'DELETE', better: string, worse: string) =>
      server.send(method, `rosters/${market.id}/preferences`, { better, worse })
    const list = async () =>
      (await server.get<{ better: string; worse: string }[]>(`rosters/${market.id}/preferences`)).body
    expect((await choose('POST', a!, b!)).status).toBe(204)
    expect(await list()).toMatchObject([{ better: a, worse: b }])
    await choose('POST', b!, a!)
    expect(await list()).toMatchObject([{ better: b, worse: a }])
    await choose('DELETE', b!, a!)
    expect(await list()).toEqual([])
    expect((await choose('POST', a!, 'nobody')).status).toBe(404)
  })
})

describe('pictures of a line-up', () => {
  test('come as SVG with fonts inside and as PNG, with things for scale', async () => {
    const crew = await named('The Heron crew')
    const boat = { name: 'Boat', shape: 'boat', width: 200, height: 30, depth: 30 }
    const at = (type: string, more: Record<string, string> = {}) =>
      `rosters/${crew.id}/line-up.${type}?${new URLSearchParams({ objects: JSON.stringify([boat]), ...more }).toString()}`
    const svg = (await server.get<string>(at('svg'))).body
    expect(svg).toContain('Boat')
    expect(svg).toContain('@font-face')
    const png = await fetch(`${server.url}/api/${at('png', { tiers: '2', outfits: crew.outfits[0]!.id })}`)
    expect([png.status, png.headers.get('content-type')]).toEqual([200, 'image/png'])
    // Printed as wide as is asked for, in every file; the picture is the same.
    const size = (of: string) =>
      /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(of)!.slice(1, 5).map(Number)
    const wide = size((await server.get<string>(at('svg', { width: '297' }))).body)
    const [, , ...asItIs] = size(svg)
    expect(wide.slice(2)).toEqual(asItIs)
    expect([wide[0], (wide[1]! / wide[0]!).toFixed(3)]).toEqual([297, (asItIs[1]! / asItIs[0]!).toFixed(3)])
    const pdf = await fetch(`${server.url}/api/${at('pdf', { width: '297' })}`)
    const [page] = await pdfText(new Uint8Array(await pdf.arrayBuffer()))
    expect(page!.width).toBeCloseTo(297, 0)
    expect(page!.text).toContain('Boat')
    expect((await server.get<ProblemBody>(at('svg', { width: '5' }))).body.errors[0]!.field).toBe('width')
    const refused = async (objects: unknown) =>
      (await server.get<ProblemBody>(at('svg', { objects: JSON.stringify(objects) }))).body.errors[0]!.field
    expect(await refused([{ ...boat, width: -1 }])).toBe('objects[0].width')
    expect(await refused([boat, { ...boat, shape: 'castle' }])).toBe('objects[1].shape')
    expect(await refused({})).toBe('objects')
    expect((await server.get(at('svg', { outfits: 'nobody' }))).status).toBe(404)
    const ids = crew.outfits.map(({ id }) => id)
    expect((await server.send('POST', 'shown', { outfits: [...ids, 'nobody'], how: 'line-up' })).status).toBe(404)
    expect((await outfit('The Heron crew', 'Mirre Vos')).state).toBe('built')
    expect((await server.send('POST', 'shown', { outfits: ids, how: 'line-up' })).status).toBe(204)
    // A picture shows those that stand built; the others are as far as they were.
    const states = (await named('The Heron crew')).outfits.map(({ state }) => state)
    expect(states.filter((state) => state === 'shown')).toHaveLength(4)
    expect(states).toContain('on-the-way')
  })

  test('released figures stand beside what began with them', async () => {
    const audit = await named('Better by one part')
    const { figures } = (
      await server.get<{ figures: { code: string; worn: Placement[] }[] }>(`rosters/${audit.id}/bases`)
    ).body
    expect(figures).toHaveLength(10)
    expect(figures.every(({ worn: list }) => list.length > 0)).toBe(true)
  })
})

describe('briefs of a roster', () => {
  const members = async () => {
    const roster = await named('School regatta')
    const { body } = await server.get<{ members: TeamMember[] }>(`rosters/${roster.id}/members`)
    return { path: `rosters/${roster.id}/briefs`, members: body.members }
  }

  test('are replaced many at once, all or none', async () => {
    const { path, members: before } = await members()
    const wish = { place: 'held', trait: 'item', target: 'oar', weight: 'must' } as const
    const briefs = before.map(({ outfit, brief, briefVersion }) => ({
      outfit,
      version: briefVersion,
      brief: { ...brief, wishes: [wish] },
    }))
    const saved = await server.send<{ briefs: { version: number }[] }>('PUT', path, { briefs })
    expect([saved.status, saved.body.briefs.map(({ version }) => version)]).toEqual([
      200,
      before.map(({ briefVersion }) => briefVersion + 1),
    ])
    expect((await members()).members.map(({ brief }) => brief.wishes)).toEqual(before.map(() => [wish]))
    // One that is older, of another roster, or makes no sense keeps all of them from being written.
    const newest = briefs.map((one) => ({ ...one, version: one.version + 1, brief: { ...one.brief, wishes: [] } }))
    const stranger = (await named('Ferry people')).outfits[0]!.id
    for (const [last, status, field] of [
      [{ ...newest[1]!, version: 1 }, 409, 'briefs[1].version'],
      [{ ...newest[1]!, outfit: stranger }, 404, null],
      [
        { ...newest[1]!, brief: { ...newest[1]!.brief, wishes: [{ ...wish, trait: 'boot' }] } },
        400,
        'briefs[1].brief.wishes[0].trait',
      ],
    ] as const) {
      const answer = await server.send<ProblemBody>('PUT', path, { briefs: [newest[0], last] })
      expect(answer.status).toBe(status)
      if (field) expect(answer.body.errors[0]!.field).toBe(field)
    }
    expect((await members()).members[0]!.brief.wishes).toEqual([wish])
  })
})

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const shelf = async (name: string) =>
  (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find((roster) => roster.name === name)!
const outfit = async (roster: string, name: string) => {
  const found = (await shelf(roster)).outfits.find((one) => one.name === name)!
  return (await server.get<OutfitDetail>(`outfits/${found.id}`)).body
}
const pinsOf = async (roster: string, name: string) =>
  (await shelf(roster)).outfits.find((one) => one.name === name)!.pins.map(({ title }) => title)

describe('house rules of a roster', () => {
  const keep = (roster: RosterShelf, body: object) =>
    server.send<ProblemBody & { version: number }>('PUT', `rosters/${roster.id}/rules`, body)

  test('are its school and what differs from it; pins follow', async () => {
    const market = await shelf('Night market')
    expect(await pinsOf('Night market', 'Ines, noodles')).toContain('A face somebody else has')
    const { status, body } = await keep(market, {
      version: market.version,
      school: 'exchange-only',
      switches: { faces: 'any', turnedTorsos: true, spendingLimit: null },
    })
    expect([status, body]).toEqual([200, { version: market.version + 1 }])
    const after = await shelf('Night market')
    // What the school says anyway is no switch.
    expect([after.rules, after.switches]).toEqual(['exchange-only', { faces: 'any' }])
    expect(await pinsOf('Night market', 'Ines, noodles')).not.toContain('A face somebody else has')
    expect(await pinsOf('Night market', 'Amara, songs')).toContain('The house rules alter nothing like this')
  })

  test.each<[string, object, number, string]>([
    ['an older version', { version: 1, school: 'altered', switches: {} }, 409, 'version'],
    ['a school there is not', { version: 2, school: 'old', switches: {} }, 400, 'school'],
    ['a switch there is not', { version: 2, school: 'altered', switches: { glue: true } }, 400, 'switches.glue'],
    [
      'too many colours',
      { version: 2, school: 'altered', switches: { mostMainColours: 99 } },
      400,
      'switches.mostMainColours',
    ],
    [
      'a release there is not',
      { version: 2, school: 'altered', switches: { excluded: { figures: [], releases: ['Q-NONE'] } } },
      400,
      'switches.excluded.releases[0]',
    ],
  ])('%s is refused by field, and nothing is written', async (_what, body, status, field) => {
    const before = await shelf('Night market')
    const answer = await keep(before, body)
    expect([answer.status, answer.body.errors[0]?.field]).toEqual([status, field])
    expect(await shelf('Night market')).toEqual(before)
  })

  test('a roster nobody has is not found', async () => {
    const body = { version: 1, school: 'altered', switches: {} }
    expect((await server.send('PUT', 'rosters/NOPE/rules', body)).status).toBe(404)
  })
})

describe('an outfit that does otherwise', () => {
  const keep = (one: OutfitDetail, switches: object, reason?: string) =>
    server.send<ProblemBody>('PUT', `outfits/${one.id}/rules`, { version: one.version, switches, reason })

  test('says why; without switches it keeps to the roster again', async () => {
    const sif = await outfit('Night market', 'Sif, lanterns')
    expect(await pinsOf('Night market', 'Sif, lanterns')).toContain('4 main colours')
    expect((await keep(sif, { mostMainColours: 5 }, ' ')).body.errors[0]!.field).toBe('reason')
    expect((await keep(sif, { mostMainColours: 5 }, 'She is the lanterns.')).status).toBe(200)
    const after = await outfit('Night market', 'Sif, lanterns')
    expect([after.switches, after.switchesReason]).toEqual([{ mostMainColours: 5 }, 'She is the lanterns.'])
    expect(await pinsOf('Night market', 'Sif, lanterns')).not.toContain('4 main colours')
    expect((await keep(after, { mostMainColours: 3 })).status).toBe(400)
    expect((await keep(after, {})).status).toBe(200)
    const again = await outfit('Night market', 'Sif, lanterns')
    expect([again.switches, again.switchesReason]).toEqual([{}, ''])
  })
})

describe('what is excluded', () => {
  test('are parts that nothing else brings', async () => {
    const keeper = await outfit('Better by one part', 'Toy stall keeper')
    const worn = new Set(keeper.takes[0]!.placements.map(({ part }) => part))
    const out = keeper.excluded.filter((part) => worn.has(part))
    expect(out.length).toBeGreaterThan(0)
    expect(out.length).toBeLessThan(worn.size)
    const mitt = keeper.takes[0]!.placements.find(({ slot }) => slot === 'handLeft')!.part
    expect(keeper.excluded).not.toContain(mitt)
  })
})

describe('alterations', () => {
  const save = (one: OutfitDetail, altered: unknown) =>
    server.send<ProblemBody>('PUT', `outfits/${one.id}/takes/${one.takes[0]!.id}`, {
      version: one.version,
      placements: one.takes[0]!.placements.map((p) => (p.slot === 'torso' ? { ...p, altered } : p)),
    })

  test('are kept with the placement, copied with the take, and gone when they are taken away', async () => {
    const lune = await outfit('Night market', 'Lune, bread')
    const painted = [{ kind: 'painted', colour: 'wine', note: 'Two coats', final: true }]
    expect((await save(lune, painted)).status).toBe(200)
    const after = await outfit('Night market', 'Lune, bread')
    expect(after.takes[0]!.placements.find(({ slot }) => slot === 'torso')!.altered).toEqual(painted)
    await server.send('POST', `outfits/${lune.id}/takes`, { version: after.version, from: after.takes[0]!.id })
    const copied = await outfit('Night market', 'Lune, bread')
    expect(copied.takes[1]!.placements.find(({ slot }) => slot === 'torso')!.altered).toEqual(painted)
    expect((await save(copied, undefined)).status).toBe(200)
    const bare = await outfit('Night market', 'Lune, bread')
    expect(bare.takes[0]!.placements.some((p) => 'altered' in p)).toBe(false)
  })

  test.each<[string, unknown, RegExp]>([
    [
      'a colour there is not',
      [{ kind: 'painted', colour: 'nope', note: '' }],
      /placements\[\d+\]\.altered\[0\]\.colour/,
    ],
    ['paint without a colour', [{ kind: 'painted', note: '' }], /placements\[\d+\]\.altered\[0\]\.colour/],
    [
      'a print there is not',
      [{ kind: 'sticker', print: 'D-NONE', note: '' }],
      /placements\[\d+\]\.altered\[0\]\.print/,
    ],
    ['all of it cut off', [{ kind: 'cut', share: 100, note: '' }], /placements\[\d+\]\.altered\[0\]\.share/],
    [
      'one that is half done',
      [{ kind: 'cut', share: 20, note: '', final: 'nearly' }],
      /placements\[\d+\]\.altered\[0\]\.final/,
    ],
    ['an act there is not', [{ kind: 'melted', note: '' }], /placements\[\d+\]\.altered\[0\]\.kind/],
  ])('%s is refused by field', async (_what, altered, field) => {
    const { status, body } = await save(await outfit('Night market', 'Otto, fish'), altered)
    expect([status, body.errors[0]?.field ?? '']).toEqual([400, expect.stringMatching(field)])
  })
})

describe('the drawer', () => {
  test('gives parts of owned figures that stand together, and says who has what is taken', async () => {
    const pia = await outfit('Night market', 'Pia, drum')
    const drummer = pia.drawer.donors.find(({ name }) => name === 'Parade drummer')!
    const drum = pia.takes[0]!.placements.find(({ slot }) => slot === 'heldLeft')!.part
    expect(drummer.pieces.map(({ part }) => part)).toContain(drum)
    expect(pia.free[drum]).toBe(1)
    const ines = await outfit('Night market', 'Ines, noodles')
    const head = ines.takes[0]!.placements.find(({ slot }) => slot === 'head')!.part
    expect(ines.taken[head]).toEqual(['Nadi Quill'])
    expect(ines.company.others.map(({ name }) => name)).toContain('Pia, drum')
  })
})

import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals'
import type { BinContents, ToldAct } from '@outfit/core/drawer'
import type { ImportReport } from '@outfit/core/tables'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

/** Ways a pair of legs comes into a workspace that is empty but for the parts themselves. */
let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

const bring = async (table: string, csv: string) => {
  const { body } = await server.send<ImportReport>('POST', `import/${table}`, { csv })
  expect(body.rejects).toEqual([])
  return body
}
const post = (path: string, body: object) => server.send<{ act: string } & ProblemBody>('POST', path, body)
const lying = async (bin: string) =>
  (await server.get<BinContents>(`bins/${bin}`)).body.lying
    .filter(({ qty }) => qty > 0)
    .map(({ part, qty, condition }) => `${qty} ${part} ${condition}`)
const owned = async (code: string) =>
  (await server.get<{ items: { part: { code: string }; owned: number }[] }>(`parts/find?text=${code}`)).body.items.find(
    ({ part }) => part.code === code,
  )?.owned
const acts = async () => (await server.get<{ acts: ToldAct[] }>('drawer/acts')).body.acts
const worn = async (figure: string) =>
  (await server.get<{ worn: { slot: string; part: string }[] }>(`figures/${figure}`)).body.worn
const PIECES = ['slot,part', 'hips,HIPS', 'legRight,LEGR', 'legLeft,LEGL']
const componentsOf = (pair: string) =>
  ['assembly', ...PIECES.slice(1).map(() => pair)].map((first, i) => `${first},${PIECES[i]}`).join('\n')

/** Each test has pairs of its own, so that none sees what another left. */
let made = 0
let pair = ''
let bin = ''
beforeAll(async () => {
  await bring('colours', 'code,name,hex,family,finish\nwine,Wine,#6B2233,red,solid')
  await bring(
    'moulds',
    [
      'code,name,kind,silhouette,neckThickness,height,mass,connections,covers,traits',
      'M-HIPS,Hips,hips,hips,0,0,0.4,,,',
      'M-LEGR,Right leg,leg-right,leg,0,0,0.9,,,length=full',
      'M-LEGL,Left leg,leg-left,leg,0,0,0.9,,,length=full',
      'M-PAIR,Legs,leg-pair,leg-pair,0,0,2.4,,,length=full',
      'M-DRESS,Torso with arms,dressed-torso,dressed-torso,0,0,3.6,,,',
    ].join('\n'),
  )
  await bring('parts', 'code,name,mould,colours\nHIPS,Hips,M-HIPS,wine\nLEGR,Right,M-LEGR,wine\nLEGL,Left,M-LEGL,wine')
})
beforeEach(async () => {
  made++
  pair = `PAIR-${made}`
  bin = `B${made}`
  await bring('parts', `code,name,mould,colours\n${pair},Pair of legs ${made},M-PAIR,wine`)
  await bring('bins', `code,name\n${bin},Box ${made}`)
})

describe('a pair whose pieces are known', () => {
  beforeEach(() => bring('components', componentsOf(pair)).then(() => undefined))
  const pieces = (n: number, condition = 'used') => [
    `${n} HIPS ${condition}`,
    `${n} LEGL ${condition}`,
    `${n} LEGR ${condition}`,
  ]

  test('of a table of owned parts lies there as its pieces, and is taken back in one press', async () => {
    await bring('owned', `part,bin,qty,condition,date,reason\n${pair},${bin},3,new,2026-11-01,swap`)
    expect(await lying(bin)).toEqual(pieces(3, 'new'))
    expect(await owned(pair)).toBeGreaterThanOrEqual(3)
    const [act] = await acts()
    expect((await post(`drawer/acts/${act!.id}/reversal`, {})).status).toBe(201)
    expect(await lying(bin)).toEqual([])
  })

  test('is found in its bin as the pair it is, with what lies beside it', async () => {
    await bring(
      'owned',
      `part,bin,qty,condition,date,reason\n${pair},${bin},2,used,2026-11-01,swap\nLEGL,${bin},1,used,2026-11-01,swap`,
    )
    const { body } = await server.get<BinContents & { parts: { code: string }[] }>(`bins/${bin}`)
    // Pairs of other tests are made of the same pieces; one of them is named.
    expect(body.wholes).toEqual([{ part: expect.stringMatching(/^PAIR-/), condition: 'used', qty: 2 }])
    expect(body.parts.map(({ code }) => code)).toContain(body.wholes[0]!.part)
  })

  test('counted at a stocktake is its pieces', async () => {
    const counted = [{ part: pair, condition: 'used', qty: 2 }]
    expect((await post(`bins/${bin}/stocktake`, { counted, expected: [] })).status).toBe(201)
    expect(await lying(bin)).toEqual(pieces(2))
  })

  test('is moved, lent and taken out as what it is made of; one leg less is said', async () => {
    await post('drawer/brought-in', {
      ...{ things: [{ kind: 'part', code: pair, qty: 2 }], bin, together: false },
      ...{ condition: 'used', text: '' },
    })
    await bring('bins', `code,name\n${bin}X,Other box ${made}`)
    const move = (qty: number) =>
      post('drawer/moved', { moves: [{ part: pair, from: bin, qty, condition: 'used' }], to: `${bin}X` })
    expect((await move(1)).status).toBe(201)
    expect([await lying(bin), await lying(`${bin}X`)]).toEqual([pieces(1), pieces(1)])
    const leg = [{ part: 'LEGL', from: bin, qty: 1, condition: 'used' }]
    await post('drawer/taken-out', { moves: leg, how: 'lost', text: '' })
    const refused = await move(1)
    expect(refused.status).toBe(409)
    expect(refused.body.detail).toContain('has 0 of Left')
    expect(await lying(bin)).toEqual(['1 HIPS used', '1 LEGR used'])
  })

  test('worn by a figure of a table is worn as its pieces; a leg the table names besides stays', async () => {
    await bring('parts', `code,name,mould,colours\nODD-${made},Odd leg ${made},M-LEGL,wine`)
    await bring('figures', `code,name,year\nF${made},Walker ${made},2020`)
    await bring('figure-parts', `figure,slot,part,order\nF${made},legLeft,ODD-${made},0\nF${made},hips,${pair},0`)
    expect((await worn(`F${made}`)).map(({ slot, part }) => `${slot} ${part}`).sort()).toEqual([
      'hips HIPS',
      `legLeft ODD-${made}`,
      'legRight LEGR',
    ])
  })
})

describe('a pair whose pieces nobody has told', () => {
  const ownTwo = () => bring('owned', `part,bin,qty,condition,date,reason\n${pair},${bin},2,used,2026-11-01,swap`)

  test('is one piece, until a table says what it is made of: then it lies there as that', async () => {
    await ownTwo()
    expect(await lying(bin)).toEqual([`2 ${pair} used`])
    expect(await owned(pair)).toBe(2)
    await bring('components', componentsOf(pair))
    expect(await lying(bin)).toEqual(['2 HIPS used', '2 LEGL used', '2 LEGR used'])
    const [act] = await acts()
    expect([act!.kind, act!.text]).toEqual(['taken-apart', `Pair of legs ${made}`])
    // The same table again finds nothing to do.
    await bring('components', componentsOf(pair))
    expect((await acts())[0]!.id).toBe(act!.id)
  })

  test('comes apart the same when its pieces are told by hand, and a refused table changes nothing', async () => {
    await ownTwo()
    const { body } = await server.send<ImportReport>('POST', 'import/components', {
      csv: `${componentsOf(pair)}\n${pair},torso,NONE`,
    })
    expect(body.written).toBe(false)
    expect(await lying(bin)).toEqual([`2 ${pair} used`])
    const components = PIECES.slice(1).map((line) => ({ slot: line.split(',')[0], part: line.split(',')[1] }))
    const saved = await server.send('PUT', `catalogue/parts/${pair}`, {
      ...{
        name: `Pair of legs ${made}`,
        mould: 'M-PAIR',
        colours: ['wine'],
        print: null,
        year: null,
        components,
        was: {},
      },
    })
    expect(saved.status).toBe(200)
    expect(await lying(bin)).toEqual(['2 HIPS used', '2 LEGL used', '2 LEGR used'])
  })

  test('is taken apart in one press into plain pieces, made where there are none like them', async () => {
    await ownTwo()
    const { status, body } = await server.send<{ made: string[] } & ProblemBody>('POST', `parts/${pair}/pieces`)
    // Hips and legs in wine are there, from the beginning.
    expect([status, body.made]).toEqual([201, []])
    expect(await lying(bin)).toEqual(['2 HIPS used', '2 LEGL used', '2 LEGR used'])
    const again = await server.send<ProblemBody>('POST', `parts/${pair}/pieces`)
    expect([again.status, again.body.detail]).toEqual([
      409,
      `It is told already what Pair of legs ${made} is made of. Nothing was changed.`,
    ])
    expect((await server.send('POST', 'parts/HIPS/pieces')).status).toBe(409)
    expect((await server.send('POST', 'parts/NONE/pieces')).status).toBe(404)
  })

  test('a torso of three colours has sleeves in the second and hands in the third; of one colour no hands are made up', async () => {
    await bring(
      'colours',
      'code,name,hex,family,finish\noat2,Oat two,#E9D9BC,white,solid\nfawn2,Fawn two,#EBB98E,skin,solid',
    )
    await bring('parts', 'code,name,mould,colours\nT3,Three,M-DRESS,wine;oat2;fawn2\nT1,One,M-DRESS,wine')
    type Told = { part: { components: { slot: string; part: string }[] }; parts: { code: string; colours: string[] }[] }
    const coloursOf = async (code: string) => {
      expect((await server.send('POST', `parts/${code}/pieces`)).status).toBe(201)
      const { part, parts } = (await server.get<Told>(`parts/${code}`)).body
      const colour = (piece: string) => parts.find((one) => one.code === piece)!.colours.join()
      return part.components.map((c) => `${c.slot} ${colour(c.part)}`).sort()
    }
    expect(await coloursOf('T3')).toEqual([
      'armLeft oat2',
      'armRight oat2',
      'handLeft fawn2',
      'handRight fawn2',
      'torso wine',
    ])
    expect(await coloursOf('T1')).toEqual(['armLeft wine', 'armRight wine', 'torso wine'])
  })

  test('worn as one piece by figures and outfits, it is worn as its pieces from then on', async () => {
    await bring('figures', `code,name,year\nF${made},Walker ${made},2020`)
    await bring('figure-parts', `figure,slot,part,order\nF${made},hips,${pair},0`)
    const plan = { name: `Walkers ${made}`, note: '', school: 'exchange-only', budget: null, dueOn: null }
    const roster = (await server.send<{ id: string }>('POST', 'rosters', plan)).body.id
    const characters = [{ name: `Walker ${made}`, faction: '', years: null, notes: '' }]
    const outfit = (
      await server.send<{ outfits: string[] }>('POST', `rosters/${roster}/characters`, { version: 1, characters })
    ).body.outfits[0]!
    type Outfit = { version: number; takes: { id: string; placements: { slot: string; part: string }[] }[] }
    const read = async () => (await server.get<Outfit>(`outfits/${outfit}`)).body
    const before = await read()
    const placements = [{ slot: 'hips', part: pair, order: 0, turned: false }]
    const saved = await server.send<{ version: number }>('PUT', `outfits/${outfit}/takes/${before.takes[0]!.id}`, {
      version: before.version,
      placements,
    })
    expect(saved.status).toBe(200)
    await bring('components', componentsOf(pair))
    const after = await read()
    const told = (list: { slot: string; part: string }[]) => list.map(({ slot, part }) => `${slot} ${part}`).sort()
    const inPieces = ['hips HIPS', 'legLeft LEGL', 'legRight LEGR']
    expect([told(await worn(`F${made}`)), told(after.takes[0]!.placements)]).toEqual([inPieces, inPieces])
    // Whoever still had it open as one piece is told, as after a change by somebody else.
    const late = { version: saved.body.version, placements }
    expect((await server.send('PUT', `outfits/${outfit}/takes/${before.takes[0]!.id}`, late)).status).toBe(409)
  })
})

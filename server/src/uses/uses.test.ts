import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { likenessOf } from '@outfit/core/brief'
import { catalogueOf, type Part } from '@outfit/core/catalogue'
import { fittingContextOf, pinKey, pinsOf } from '@outfit/core/fitting'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import type { Exchange, MinedRelease, PartUses, Refills } from '@outfit/core/uses'
import { startServer, type TestServer } from '../test/testServer.ts'
import type { NewFigures } from './newFiguresService.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const usesOf = async (code: string) => (await server.get<PartUses>(`parts/${code}/uses`)).body
const tray = async (slot: string) =>
  (await server.get<{ items: { part: Part; lowest: number | null }[] }>(`parts?slot=${slot}&limit=500`)).body.items
/** Titles but those of parts on other figures, which the bench learns once a part is worn. */
const withoutElsewhere = (titles: readonly string[]) =>
  titles.filter((title) => !/\bon (another|other) figures?/i.test(title))

describe('uses of a part', () => {
  test('are told best first, with what the bench says of each, before and after', async () => {
    const basics = (await server.get<Parameters<typeof catalogueOf>[0] & { unmade: string[] }>('catalogue/basics')).body
    const hats = await tray('headgear')
    const prices = Object.fromEntries(hats.map(({ part, lowest }) => [part.code, lowest]))
    let looked = 0
    for (const { part: hat } of hats.slice(0, 12)) {
      const { uses, asked, found, parts, prints } = await usesOf(hat.code)
      const gains = uses.map(({ before, after }) => after - before)
      expect(gains.every((gain) => gain > 0)).toBe(true)
      expect(gains).toEqual([...gains].sort((a, b) => b - a))
      expect(asked).toBeGreaterThan(0)
      expect(found).toBeGreaterThanOrEqual(uses.length)
      expect(found).toBeLessThanOrEqual(asked)
      // Everything that is shown can be drawn.
      const known = new Set(parts.map((part) => part.code))
      for (const { placements, worn } of uses)
        expect([...placements, ...worn].every(({ part }) => known.has(part))).toBe(true)
      for (const use of uses.slice(0, 2)) {
        const outfit = (await server.get<OutfitDetail>(`outfits/${use.outfit}`)).body
        const more = { parts: [...outfit.parts, ...parts], prints: [...outfit.prints, ...prints] }
        const catalogue = catalogueOf({ ...basics, ...more })
        const likeness = (worn: typeof use.worn) => likenessOf(worn, outfit.brief, catalogue).milli
        expect([likeness(use.worn), likeness(use.placements)]).toEqual([use.before, use.after])
        const lowest = { ...prices, ...outfit.lowest }
        const context = fittingContextOf(outfit, catalogue, { lowest, unmade: new Set(basics.unmade) })
        const [now, then] = [pinsOf(use.worn, context), pinsOf(use.placements, context)]
        const gone = (a: typeof now, b: typeof now) =>
          a.filter((pin) => !b.some((other) => pinKey(other) === pinKey(pin))).map(({ title }) => title)
        const told = [use.mends, use.brings].map(withoutElsewhere)
        expect(told).toEqual([gone(now, then), gone(then, now)].map(withoutElsewhere))
        expect(use.version).toBe(outfit.version)
        looked += 1
      }
    }
    expect(looked).toBeGreaterThan(4)
  })

  test('change nothing, and become a take when somebody wants one', async () => {
    const shelves = async () => (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const before = await shelves()
    const found = await Promise.all((await tray('headgear')).slice(0, 20).map(({ part }) => usesOf(part.code)))
    expect(await shelves()).toEqual(before)
    const [use] = found.flatMap(({ uses }) => uses)
    const { outfit, version, placements } = use!
    const made = await server.send<{ label: string }>('POST', `outfits/${outfit}/takes`, { version, placements })
    expect(made.status).toBe(201)
    const { takes } = (await server.get<OutfitDetail>(`outfits/${outfit}`)).body
    expect(takes.find(({ label }) => label === made.body.label)?.placements.length).toBe(placements.length)
  })

  test('of what is worn already are none there, and a part nobody knows is told', async () => {
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const worn = rosters.flatMap(({ outfits }) => outfits).find(({ placements }) => placements.length > 0)!
    const { uses, wornBy } = await usesOf(worn.placements[0]!.part)
    expect(wornBy).toBeGreaterThan(0)
    expect(uses.map(({ outfit }) => outfit)).not.toContain(worn.id)
    expect((await server.get('parts/NOPE/uses')).status).toBe(404)
  })
})

describe('a release looked through', () => {
  const mined = async (code: string) => (await server.get<MinedRelease>(`releases/${code}/uses`)).body

  test('tells of each part what its page tells, the most useful first, and what is not owned', async () => {
    const { mined: parts, asked, price, isCase, parts: drawn } = await mined('Q-101')
    expect([isCase, asked]).toEqual([false, expect.any(Number)])
    expect(price).toBeGreaterThan(0)
    expect(parts.map(({ gain }) => gain)).toEqual(parts.map(({ gain }) => gain).sort((a, b) => b - a))
    const known = new Set(drawn.map(({ code }) => code))
    for (const { part, found, best, owned, goesWith } of parts.slice(0, 8)) {
      const page = await usesOf(part)
      // A box puts nothing on one side alone, a part by itself may.
      expect(found).toBeLessThanOrEqual(page.found)
      for (const { outfit, before, after } of best) {
        const use = page.uses.find((one) => one.outfit === outfit)!
        expect([outfit, before, after <= use.after]).toEqual([outfit, use.before, true])
      }
      const { bins } = (await server.get<{ bins: { qty: number }[] }>(`parts/${part}`)).body
      if (owned > 0) expect([bins.length > 0, goesWith]).toEqual([true, []])
      for (const { placements } of best) expect(placements.every((one) => known.has(one.part))).toBe(true)
    }
    expect(parts.some(({ owned }) => owned === 0)).toBe(true)
  })

  test('deals out what is in so many boxes, all of it accounted for', async () => {
    const { mined: parts, deals } = await mined('Q-101')
    const qty = new Map(parts.map((one) => [one.part, one.qty]))
    expect(deals.length).toBeGreaterThan(1)
    for (const [i, { boxes, gain, dressed, left }] of deals.entries()) {
      expect(boxes).toBe(i + 1)
      expect(gain).toBeGreaterThan(deals[i - 1]?.gain ?? 0)
      expect(gain).toBe(dressed.reduce((sum, { before, after }) => sum + after - before, 0))
      const all = [
        ...dressed.flatMap(({ pieces }) => pieces),
        ...left.flatMap((one) => Array<string>(one.qty).fill(one.part)),
      ]
      const counts = new Map<string, number>()
      for (const piece of all) counts.set(piece, (counts.get(piece) ?? 0) + 1)
      for (const [piece, count] of counts) expect([piece, count]).toEqual([piece, qty.get(piece)! * boxes])
    }
  })

  test('lifts four outfits of the sample world, and a whole band by a part of which the box has three', async () => {
    const { release, mined: parts, crowds } = await mined('Q-112')
    expect(release.name).toBe('Lantern Parade')
    const gains = new Map<string, number>()
    for (const { name, roster, before, after } of parts.flatMap(({ best }) => best))
      if (roster.name !== 'Brass band') gains.set(name, Math.max(gains.get(name) ?? 0, after - before))
    expect([...gains].filter(([, gain]) => gain >= 2000).length).toBeGreaterThanOrEqual(4)
    const [crowd] = crowds
    expect(crowd).toMatchObject({ roster: { name: 'Brass band' }, boxes: 3, frees: [] })
    expect(crowd!.members).toHaveLength(9)
  })

  test('of blind packs is a full case; of many alike who could be dressed at once; else it is not known', async () => {
    expect(await mined('Q-108')).toMatchObject({ isCase: true })
    expect((await server.get('releases/NOPE/uses')).status).toBe(404)
    // Four of one roster who wish for something in the box and wear nothing of the kind.
    const { mined: parts, parts: drawn } = await mined('Q-101')
    const hats = new Set((await tray('headgear')).map(({ part }) => part.code))
    const hat = drawn.find(({ code }) => hats.has(code) && parts.some((one) => one.part === code))!
    const wishes = [{ place: 'headgear', trait: 'shape', target: hat.mould, weight: 'must' }]
    const { body: roster } = await server.send<{ id: string; version: number }>('POST', 'rosters', {
      name: 'Four alike',
      note: '',
      school: 'open-bench',
    })
    const characters = ['Ada', 'Bo', 'Cy', 'Di'].map((name) => ({ name, faction: '', notes: '' }))
    expect(
      (await server.send('POST', `rosters/${roster.id}/characters`, { version: roster.version, characters })).status,
    ).toBe(201)
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    for (const { id } of rosters.find(({ name }) => name === 'Four alike')!.outfits) {
      const { brief, briefVersion: version } = (await server.get<OutfitDetail>(`outfits/${id}`)).body
      const { status } = await server.send('PUT', `outfits/${id}/brief`, { version, brief: { ...brief, wishes } })
      expect(status).toBe(200)
    }
    const { crowds } = await mined('Q-101')
    const crowd = crowds.find((one) => one.part === hat.code && one.roster.name === 'Four alike')!
    expect(crowd.members.map(({ name }) => name).sort()).toEqual(['Ada', 'Bo', 'Cy', 'Di'])
    expect(crowd.boxes).toBe(Math.ceil(4 / parts.find(({ part }) => part === hat.code)!.qty))
  })
})

describe('one part put on a whole roster', () => {
  const band = async () =>
    (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find(({ name }) => name === 'Brass band')!

  test('tells everybody with it for better or worse, and is worn and taken back in one act', async () => {
    const roster = await band()
    const cap = (await tray('headgear')).find(({ part }) => part.mould === 'M-DECK')!.part.code
    const ask = async () => (await server.get<Exchange>(`rosters/${roster.id}/exchange?part=${cap}`)).body
    const exchange = await ask()
    expect(exchange).toMatchObject({ way: 'headgear', wearing: [], barred: [], roster: { name: 'Brass band' } })
    expect(exchange.figures.map(({ name }) => name)).toEqual(roster.outfits.map(({ name }) => name))
    expect(exchange.figures.some(({ before, after }) => after < before)).toBe(true)
    const basics = (await server.get<Parameters<typeof catalogueOf>[0]>('catalogue/basics')).body
    for (const { outfit, before, after, worn, placements, takes } of exchange.figures) {
      const detail = (await server.get<OutfitDetail>(`outfits/${outfit}`)).body
      const more = { parts: [...detail.parts, ...exchange.parts], prints: [...detail.prints, ...exchange.prints] }
      const catalogue = catalogueOf({ ...basics, ...more })
      const likeness = (all: typeof worn) => likenessOf(all, detail.brief, catalogue).milli
      expect([before, after, takes]).toEqual([likeness(worn), likeness(placements), [cap]])
    }
    const outfits = exchange.figures.slice(0, 3).map(({ outfit, placements }) => ({ outfit, placements }))
    const { body } = await server.send<{ takes: { label: string }[] }>('PUT', `rosters/${roster.id}/cast-takes`, {
      ...{ outfits, why: 'exchange' },
    })
    expect(body.takes.map(({ label }) => label)).toEqual(['Exchange', 'Exchange', 'Exchange'])
    expect((await ask()).wearing).toEqual(exchange.figures.slice(0, 3).map(({ name }) => name))
    expect((await server.send('DELETE', `rosters/${roster.id}/cast-takes`, { takes: body.takes })).status).toBe(204)
    expect((await band()).outfits.map(({ placements }) => placements)).toEqual(
      roster.outfits.map(({ placements }) => placements),
    )
    expect(await ask()).toEqual(exchange)
  })

  test('keeps to how far the house rules take things apart, and says where there is nobody', async () => {
    const sleeve = (await tray('armRight'))[0]!.part.code
    const begin = async (name: string, school: string) => {
      await server.send('POST', 'rosters', { name, note: '', school })
      const { rosters } = (await server.get<{ rosters: (RosterShelf & { version: number })[] }>('rosters')).body
      return rosters.find((one) => one.name === name)!
    }
    const of = async (id: string) => (await server.get<Exchange>(`rosters/${id}/exchange?part=${sleeve}`)).body
    const strict = await begin('As released', 'as-released')
    expect(await of(strict.id)).toMatchObject({ figures: [], wearing: [], barred: [], roster: { name: 'As released' } })
    const characters = [{ name: 'Ada', faction: '', notes: '' }]
    await server.send('POST', `rosters/${strict.id}/characters`, { version: strict.version, characters })
    expect(await of(strict.id)).toMatchObject({ ways: [], way: null, figures: [], wearing: [], barred: ['Ada'] })
  })

  test('asks for what there is', async () => {
    const { id } = await band()
    const status = async (path: string) => (await server.get(`rosters/${path}`)).status
    expect(await status(`${id}/exchange?part=NOPE`)).toBe(404)
    expect(await status(`NOPE/exchange?part=P-00001`)).toBe(404)
    expect(await status(`${id}/exchange?part=P-00054&way=held`)).toBe(404)
    expect(await status(`${id}/exchange`)).toBe(400)
  })
})

test('new figures around a part are of what lies loose and can be made outfits', async () => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const hook = (await tray('heldRight')).find(({ part }) => part.name === 'Boat hook')!.part.code
  const { body } = await server.get<NewFigures>(`parts/${hook}/figures`)
  expect(body.loose).toBeGreaterThan(0)
  const [first] = body.figures
  expect(first!.placements.map(({ part }) => part)).toContain(hook)
  const known = new Set(body.parts.map(({ code }) => code))
  for (const { placements } of body.figures) for (const { part } of placements) expect(known.has(part)).toBe(true)

  const ferry = rosters.find(({ name }) => name === 'Ferry people')!
  const added = await server.send<{ outfits: string[] }>('POST', `rosters/${ferry.id}/characters`, {
    version: ferry.version,
    characters: [{ name: 'Somebody new', faction: '', years: null, notes: '', placements: first!.placements }],
  })
  const outfit = added.body.outfits[0]!
  const made = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
    .flatMap(({ outfits }) => outfits)
    .find(({ id }) => id === outfit)!
  // In the sample drawer outfits count on nearly everything, and that is said.
  expect(body.claimed).toBe(true)
  expect(made.placements).toHaveLength(first!.placements.length)
  expect((await server.get('parts/NOPE/figures')).status).toBe(404)
})

test('a release that brings somebody who was planned says so, with what is worn beside it', async () => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const outfit = rosters
    .find(({ name }) => name === 'Night market')!
    .outfits.find(({ name }) => name === 'Ines, noodles')!
  // What she wears, released as a figure of her name.
  const csv = async (table: string, text: string) =>
    expect((await server.send('POST', `import/${table}`, { csv: text })).body).toMatchObject({ written: true })
  await csv('figures', `code,name,year\nF-INES,Ines of the noodle boat,2026\n`)
  const rows = outfit.placements.map(({ slot, part, order }) => `F-INES,${slot},${part},${order}`).join('\n')
  await csv('figure-parts', `figure,slot,part,order\n${rows}\n`)
  await csv('releases', `code,name,kind,year,price,currency,inProduction\nQ-NEW,Noodle boat,box,2026,3499,EUR,no\n`)
  await csv('release-contents', `release,kind,code,qty\nQ-NEW,figure,F-INES,1\n`)
  const { officials } = (await server.get<MinedRelease>('releases/Q-NEW/uses')).body
  expect(officials[0]).toMatchObject({
    outfit: outfit.id,
    figure: 'F-INES',
    byName: true,
    figureName: 'Ines of the noodle boat',
  })
  expect(officials[0]!.official).toBe(officials[0]!.own)
  expect(officials[0]!.worn).toEqual(outfit.placements)
})

test('what is new on a quote sheet is looked through as a release is', async () => {
  const news = async () => (await server.get<MinedRelease>('sellers/tin-whistle/news')).body
  const offers = async (date: string, parts: readonly string[]) => {
    const rows = parts.map((part) => `${date},tin-whistle,part,${part},new,100,EUR,3,1`)
    const csv = ['date,seller,kind,code,condition,price,currency,stock,multiple', ...rows].join('\n')
    expect((await server.send('POST', 'import/offers', { csv: `${csv}\n` })).body).toMatchObject({ written: true })
  }
  const { offers: has } = (await server.get<{ offers: { code: string }[] }>('sellers/tin-whistle/offers?limit=1000'))
    .body
  const sold = new Set((has ?? []).map(({ code }) => code))
  const fresh = (await tray('headgear')).map(({ part }) => part.code).filter((code) => !sold.has(code))
  await offers('2026-11-30', fresh.slice(0, 2))
  const told = await news()
  expect(told.release).toMatchObject({ code: 'tin-whistle', kind: 'quote sheet' })
  const known = told.mined.map(({ part }) => part)
  for (const part of known) expect(fresh.slice(0, 2)).toContain(part)
  expect(known.length).toBeGreaterThan(0)
  // What a list had before is no news on the next.
  await offers('2026-12-01', [...fresh.slice(0, 2), fresh[2]!])
  expect((await news()).mined.every(({ part }) => part === fresh[2])).toBe(true)
  expect((await server.get('sellers/NOBODY/news')).status).toBe(404)
})

test('a part on a figure that stands together comes with what could take its place there', async () => {
  const drawer = (await server.get<{ bins: { code: string; figure: string | null }[] }>('drawer')).body
  expect(drawer.bins.length).toBeGreaterThan(0)
  let asked = 0
  for (const { part: hat } of await tray('headgear')) {
    const { body } = await server.get<Refills>(`parts/${hat.code}/refills`)
    const known = new Set(body.parts.map(({ code }) => code))
    for (const { worn, slot, cheapest, loose, again } of body.refills) {
      asked += 1
      expect(worn.filter((placement) => placement.slot === slot).map(({ part }) => part)).toContain(hat.code)
      expect(
        [...worn.map(({ part }) => part), ...(cheapest ? [cheapest.part] : [])].every((one) => known.has(one)),
      ).toBe(true)
      expect(loose === null || known.has(loose)).toBe(true)
      expect(loose).not.toBe(hat.code)
      if (again !== null && cheapest) expect(Number.isInteger(again) && cheapest.price > 0).toBe(true)
    }
  }
  expect(asked).toBeGreaterThan(1)
  expect((await server.get('parts/NOPE/refills')).status).toBe(404)
})

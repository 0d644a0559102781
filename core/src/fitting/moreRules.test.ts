import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { placementFaults, takeOff, turn, wear } from '../anatomy/index.ts'
import { emptyBrief, type BriefWish } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { houseRulesOf, HOUSE_RULES } from '../roster/index.ts'
import { anyOutfit, figureNamed, partNamed, rosterFile, takeOf, worldCatalogue, worldFigures } from '../test/world.ts'
import { mendAll } from './mendAll.ts'
import type { FittingContext } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

const catalogue = worldCatalogue()
const base: FittingContext = { catalogue, free: {} }
const odile = takeOf('Odile, skipper')
const ruled = (placements: readonly Placement[], rule: string, context = base) =>
  pinsOf(placements, context).filter((pin) => pin.rule.startsWith(rule))
const put = (placements: readonly Placement[], slot: Placement['slot'], name: string, colour: string, mould?: string) =>
  wear(placements, slot, partNamed(name, colour, mould), catalogue)

describe('the other face', () => {
  test('shows from behind where nothing lies over the back of the head, or only a ring does', () => {
    const [bare] = ruled(takeOff(odile, 'headgear'), 'other-face')
    expect(bare).toMatchObject({ severity: 'hint', slots: ['head'] })
    const flowers = [...catalogue.parts.values()].find(({ mould }) => mould === 'M-FLOWR')!
    const [ring] = ruled(wear(takeOff(odile, 'headgear'), 'headgear', flowers, catalogue), 'other-face')
    expect(ruled(wear(odile, 'headgear', flowers, catalogue), 'other-face')).toEqual([])
    expect(ring!.detail).toBe('Flower ring leaves it free')
  })

  test('is hidden by hair, and by a hood', () => {
    expect(ruled(odile, 'other-face')).toEqual([])
    const hood = [...catalogue.parts.values()].find(({ mould }) => mould === 'M-HOOD')!
    expect(ruled(wear(odile, 'headgear', hood, catalogue), 'other-face')).toEqual([])
  })
})

describe('main colours', () => {
  test('beyond three are named with their share of the surface, the house rules permitting', () => {
    const motley = figureNamed('Life guard')
    const [pin] = ruled(motley, 'main-colours')
    expect(pin!.title).toBe('4 main colours')
    expect(pin!.detail).toMatch(/^Poppy \d+ %, Moss \d+ %, Canal \d+ %, Chalk \d+ %; 3 are enough$/)
    expect(pin!.slots).toContain('neck')
    const rules = { ...HOUSE_RULES['exchange-only'], mostMainColours: null }
    expect(ruled(motley, 'main-colours', { ...base, rules })).toEqual([])
  })

  test('a badge of colour is no main colour, nor is hair or what is held', () => {
    expect(ruled(odile, 'main-colours')).toEqual([])
    expect(ruled(put(odile, 'heldRight', 'Mug', 'Tin'), 'main-colours')).toEqual([])
  })
})

describe('sleeves', () => {
  test('of another colour than any the torso is sold with are named, and its own are one press away', () => {
    const right = put(odile, 'armRight', 'Plain sleeve', 'Poppy')
    expect(ruled(right, 'sleeves-agree')[0]!.severity).toBe('hint')
    const left = [...catalogue.parts.values()].find((part) => part.mould === 'M-ARML' && part.colours[0] === 'poppy')!
    const both = wear(right, 'armLeft', left, catalogue)
    const [pin] = ruled(both, 'sleeves-agree')
    expect(pin).toMatchObject({ severity: 'notice', slots: ['armRight', 'armLeft'] })
    expect(ruled(pin!.remedies[0]!.placements, 'sleeves-agree')).toEqual([])
  })

  test('as sold are right', () => {
    expect(ruled(odile, 'sleeves-agree')).toEqual([])
  })
})

describe('left and right', () => {
  test('legs of two looks are named, and either is one press away', () => {
    const left = [...catalogue.parts.values()].find(
      ({ mould, colours }) => mould === 'M-LEGLF' && colours[0] === 'tar',
    )!
    const [pin] = ruled(wear(odile, 'legLeft', left, catalogue), 'symmetry')
    expect(pin).toMatchObject({ severity: 'hint', title: 'The legs are not alike', slots: ['legLeft', 'legRight'] })
    expect(pin!.detail).toMatch(/^Work trousers in Slate on the right, .+ in tar on the left$/)
    expect(pin!.remedies).toHaveLength(2)
    for (const { placements } of pin!.remedies) expect(ruled(placements, 'symmetry')).toEqual([])
  })

  test('one glove is named; a hook beside a mitt is meant, and bare hands are a matter of skin', () => {
    expect(ruled(put(odile, 'handLeft', 'Mitt', 'Tar'), 'symmetry')[0]!.title).toBe('The hands are not alike')
    expect(ruled(figureNamed('Hook-handed sailor'), 'symmetry')).toEqual([])
    expect(ruled(put(odile, 'handLeft', 'Mitt', 'Umber'), 'symmetry')).toEqual([])
    expect(ruled(odile, 'symmetry')).toEqual([])
  })
})

describe('colour families', () => {
  const cook = figureNamed('Noodle cook')
  const oat = put(cook, 'hips', 'Work trousers', 'Oat', 'M-PAIRF')

  test('what is nearly the colour of the torso looks like a failed match', () => {
    const [pin] = ruled(oat, 'colour-families')
    expect(pin).toMatchObject({
      severity: 'hint',
      slots: ['legRight'],
      detail: 'Work trousers in Oat beside Chalk, ΔE 8',
    })
    expect(ruled(pin!.remedies[0]!.placements, 'colour-families')).toEqual([])
  })

  test('each piece that is nearly in it has a pin of its own, and its remedy changes that piece alone', () => {
    const vested = put(put(takeOff(odile, 'neck'), 'torso', 'Gull crew jersey', 'Poppy'), 'neck', 'Cork vest', 'Coral')
    const pins = ruled(put(vested, 'neck', 'Long scarf', 'Coral'), 'colour-families')
    expect(pins.map(({ rule }) => rule)).toEqual(['colour-families-neck', 'colour-families-neck-1'])
    expect(pins[1]!.detail).toBe('Long scarf in Coral beside Poppy, ΔE 13')
    const left = ruled(pins[0]!.remedies[0]!.placements, 'colour-families')
    expect(left.map(({ rule }) => rule)).toEqual(['colour-families-neck-1'])
  })

  test('the same colour, and plainly another, are right', () => {
    expect(ruled(cook, 'colour-families')).toEqual([])
    expect(ruled(put(cook, 'hips', 'White shoes', 'Chalk', 'M-PAIRF'), 'colour-families')).toEqual([])
  })
})

describe('a turned torso', () => {
  test('shows its real front from behind, unless something covers the back', () => {
    const uncovered = takeOff(turn(odile, 'torso'), 'neck')
    const [pin] = ruled(uncovered, 'turned-torso')
    expect(pin!.severity).toBe('notice')
    expect(ruled(pin!.remedies[0]!.placements, 'turned-torso')).toEqual([])
    expect(ruled(turn(odile, 'torso'), 'turned-torso')).toEqual([])
    expect(ruled(odile, 'turned-torso')).toEqual([])
  })

  test('is a problem where the house rules have none', () => {
    const rules = { ...HOUSE_RULES['as-released'], turnedTorsos: false }
    expect(ruled(turn(odile, 'torso'), 'turned-torso', { ...base, rules })[0]!.severity).toBe('problem')
  })
})

describe('round the neck', () => {
  const bare = takeOff(odile, 'neck')

  test('cloth goes under what is stiff', () => {
    const over = put(put(bare, 'neck', 'Ticket satchel', 'Oak'), 'neck', 'Long cape', 'Tar')
    const [pin] = ruled(over, 'neck-order')
    expect(pin!.detail).toBe('Long cape over ticket satchel: cloth goes under')
    expect(ruled(pin!.remedies[0]!.placements, 'neck-order')).toEqual([])
    expect(ruled(put(put(bare, 'neck', 'Long cape', 'Tar'), 'neck', 'Ticket satchel', 'Oak'), 'neck-order')).toEqual([])
  })

  test('a mane and a pack exclude each other', () => {
    const pack = [...catalogue.parts.values()].find(({ mould }) => mould === 'M-BACKB')!
    const packed = wear(bare, 'neck', pack, catalogue)
    expect(ruled(packed, 'mane-and-pack')[0]!.severity).toBe('problem')
    expect(ruled(put(packed, 'headgear', 'High bun', 'Copper'), 'mane-and-pack')).toEqual([])
    const [both] = ruled(wear(packed, 'neck', pack, catalogue), 'mane-and-pack')
    expect(ruled(both!.remedies[0]!.placements, 'mane-and-pack')).toEqual([])
  })
})

describe('requirements of the brief', () => {
  const brief = (...wishes: BriefWish[]) => ({ ...emptyBrief(), wishes })
  const tied: BriefWish = { place: 'headgear', trait: 'tied', target: 'yes', weight: 'must' }

  test('are pinned where a must is missed, and not where it is met or only matters', () => {
    const [pin] = ruled(odile, 'must-', { ...base, brief: brief(tied) })
    expect(pin).toMatchObject({ severity: 'problem', slots: ['headgear'], detail: 'Headgear: hair tied back missing' })
    expect(ruled(put(odile, 'headgear', 'High bun', 'Copper'), 'must-', { ...base, brief: brief(tied) })).toEqual([])
    expect(ruled(odile, 'must-', { ...base, brief: brief({ ...tied, weight: 'matters' }) })).toEqual([])
    expect(ruled(odile, 'must-')).toEqual([])
  })
})

describe('it stands', () => {
  test('with what the sample figures hold, and tips with a heavy thing far out', () => {
    expect(ruled(odile, 'stands-up')).toEqual([])
    const moulds = new Map(catalogue.moulds)
    moulds.set('M-OAR', { ...moulds.get('M-OAR')!, mass: 40 })
    const [pin] = ruled(odile, 'stands-up', { catalogue: { ...catalogue, moulds }, free: {} })
    expect(pin!.detail).toMatch(/^Long oar pulls it aside: \d+\.\d° to tipping, 9° are safe$/)
  })
})

describe('house rules', () => {
  test('as released, a torso keeps the arms it is sold with, and legs their hips', () => {
    const rules = houseRulesOf('as-released')
    const pins = ruled(put(odile, 'armRight', 'Plain sleeve', 'Poppy'), 'as-sold', { ...base, rules })
    expect(pins.map(({ slots }) => slots[0])).toEqual(['torso'])
    expect(ruled(pins[0]!.remedies[0]!.placements, 'as-sold', { ...base, rules })).toEqual([])
    expect(ruled(odile, 'as-sold', { ...base, rules })).toEqual([])
    expect(
      ruled(put(odile, 'armRight', 'Plain sleeve', 'Poppy'), 'as-sold', { ...base, rules: houseRulesOf('altered') }),
    ).toEqual([])
  })

  test('parts by others are for an open bench', () => {
    const beard = put(odile, 'neck', 'Long beard', 'Rain')
    const [pin] = ruled(beard, 'by-others', { ...base, rules: houseRulesOf('exchange-only') })
    expect(pin!.detail).toContain('Long beard')
    expect(ruled(pin!.remedies[0]!.placements, 'by-others', { ...base, rules: houseRulesOf('exchange-only') })).toEqual(
      [],
    )
    expect(ruled(beard, 'by-others', { ...base, rules: houseRulesOf('open-bench') })).toEqual([])
  })

  test('a school there is not counts as exchange only', () => {
    expect(houseRulesOf('whatever')).toBe(HOUSE_RULES['exchange-only'])
  })
})

describe('a hidden print', () => {
  const torso = odile.find(({ slot }) => slot === 'torso')!.part
  const [mould, colour] = [catalogue.parts.get(torso)!.mould, catalogue.parts.get(torso)!.colours[0]!]
  const plain = { ...catalogue.parts.get(torso)!, code: 'P-PLAIN', name: 'Plain torso', print: null }
  const withPlain = { ...catalogue, parts: new Map([...catalogue.parts, [plain.code, plain]]) }
  const context = (lowest: Record<string, number>, free: Record<string, number> = {}) => ({
    catalogue: withPlain,
    free,
    lowest,
  })

  test('that has to be paid for is pinned with what a plain one saves', () => {
    expect(catalogue.moulds.get('M-VEST')!.covers).toEqual(expect.arrayContaining(['chest', 'back']))
    expect([mould, colour]).toEqual([plain.mould, plain.colours[0]])
    const [pin] = ruled(odile, 'hidden-print', context({ [torso]: 420, 'P-PLAIN': 90 }))
    expect(pin!.detail).toBe('Cork vest covers it; a plain one saves €3.30')
    expect(pin!.remedies[0]!.placements.find(({ slot }) => slot === 'torso')!.part).toBe('P-PLAIN')
  })

  test('is no matter where it is owned, cheaper, or seen', () => {
    expect(ruled(odile, 'hidden-print', context({ [torso]: 420, 'P-PLAIN': 90 }, { [torso]: 1 }))).toEqual([])
    expect(ruled(odile, 'hidden-print', context({ [torso]: 80, 'P-PLAIN': 90 }))).toEqual([])
    expect(ruled(takeOff(odile, 'neck'), 'hidden-print', context({ [torso]: 420, 'P-PLAIN': 90 }))).toEqual([])
  })
})

describe('false alarms', () => {
  const figures = worldFigures()

  test('released figures raise almost no pins as released', () => {
    const context = { ...base, rules: houseRulesOf('as-released') }
    const raised = [...figures.values()].flatMap((worn) => pinsOf(worn, context))
    expect(raised.filter(({ severity }) => severity === 'problem')).toEqual([])
    expect(raised.length).toBeLessThan(figures.size / 4)
  })

  test('no sample outfit raises more than six', () => {
    for (const { characters } of rosterFile().rosters)
      for (const { outfits } of characters)
        for (const { name, takes } of outfits)
          for (const { placements } of takes)
            expect([name, pinsOf(placements, { ...base, rules: houseRulesOf('exchange-only') }).length <= 6]).toEqual([
              name,
              true,
            ])
  })
})

describe('mend all', () => {
  const weight = { problem: 100, notice: 10, hint: 1 }
  const amiss = (placements: readonly Placement[]) =>
    pinsOf(placements, base).reduce((sum, { severity }) => sum + weight[severity], 0)

  test('leaves a legal outfit with no more amiss, and says what it did', () => {
    fc.assert(
      fc.property(anyOutfit(), (outfit) => {
        const { placements, done } = mendAll(outfit, base)
        expect(placementFaults(placements, catalogue)).toEqual([])
        expect(amiss(placements)).toBeLessThanOrEqual(amiss(outfit))
        if (done.length > 0) expect(amiss(placements)).toBeLessThan(amiss(outfit))
        expect(mendAll(placements, base).done).toEqual([])
      }),
      { numRuns: 40 },
    )
  })

  test('leaves accepted pins alone', () => {
    const hazel = takeOf('Odile, skipper', 'B')
    expect(mendAll(hazel, base).done).toHaveLength(1)
    expect(mendAll(hazel, base, ({ rule }) => rule === 'skin-agrees')).toEqual({ placements: hazel, done: [] })
  })
})

import { describe, expect, test } from '@jest/globals'
import { DRESSINGS } from '@outfit/core/anatomy'
import { emptyBrief, type Brief, type BriefWish } from '@outfit/core/brief'
import { catalogueOf, type Colour, type Mould, type Part } from '@outfit/core/catalogue'
import { arrange, trayEntries, wishedColourAt, type TrayEntry, type TraySettings } from './trayEntries.ts'

const colour = (code: string, hex: string): Colour => ({ code, name: code, hex, family: 'brown', finish: 'solid' })
const mould = (code: string, traits: Mould['traits']): Mould => ({
  code,
  name: code,
  kind: 'headgear',
  silhouette: 'crop',
  neckThickness: 0,
  height: 3,
  mass: 1,
  connections: [],
  covers: [],
  traits,
})
const hair = (code: string, mouldCode: string, colourCode: string): Part => ({
  code,
  name: `${mouldCode} ${code}`,
  mould: mouldCode,
  colours: [colourCode],
  print: null,
  year: null,
  photo: null,
  components: [],
})
const parts = [
  hair('P-1', 'bun', 'copper'),
  hair('P-2', 'bun', 'tar'),
  hair('P-3', 'mop', 'copper'),
  hair('P-4', 'mop', 'rust'),
  hair('P-5', 'carved', 'copper'),
]
const catalogue = catalogueOf({
  colours: [colour('copper', '#A64E2A'), colour('rust', '#A9502D'), colour('tar', '#232126')],
  moulds: [mould('bun', { tied: 'yes' }), mould('mop', {}), mould('carved', { maker: 'other' })],
  prints: [],
  parts,
})
const dressing = DRESSINGS['headgear']![0]!
const copper: BriefWish = { place: 'headgear', trait: 'colour', target: '#A64E2A', weight: 'matters' }
const tied: BriefWish = { place: 'headgear', trait: 'tied', target: 'yes', weight: 'matters' }
const briefOf = (wishes: BriefWish[], avoid: Partial<Brief['avoid']> = {}): Brief => {
  const brief = emptyBrief()
  return { ...brief, wishes, avoid: { ...brief.avoid, ...avoid } }
}
const prices: Record<string, number | null> = { 'P-1': 900, 'P-2': 50, 'P-3': 100, 'P-4': null, 'P-5': 10 }
const items = parts.map((part) => ({ part, owned: 0, lowest: prices[part.code]! }))
const entries = (brief: Brief, free: Record<string, number> = {}, unwanted: string[] = []) =>
  trayEntries(items, { dressing, free, catalogue, brief, unwanted, byOthers: true })
const plain: TraySettings = {
  find: '',
  order: 'likeness',
  ownedOnly: false,
  wishedColour: false,
  limit: null,
  mix: 0,
}
const codes = (list: readonly TrayEntry[]) => list.map(({ part }) => part.code)
const arranged = (list: TrayEntry[], settings: Partial<TraySettings>, brief = briefOf([copper, tied])) =>
  codes(arrange(list, { ...plain, ...settings }, wishedColourAt(dressing, brief), catalogue))

describe('entries', () => {
  test('know their likeness, what is free, and what they are called', () => {
    const [bun, , mop] = entries(briefOf([copper, tied]), { 'P-1': 2 })
    expect(bun).toMatchObject({ share: 1, free: 2, avoided: false, label: 'bun P-1 · copper' })
    expect(mop!.share).toBeCloseTo(0.5, 3)
    expect(entries(briefOf([]))[0]!.share).toBeNull()
  })

  test('parts the catalogue does not know yet are left out', () => {
    const more = [...items, { part: hair('P-9', 'bun', 'copper'), owned: 0, lowest: 1 }]
    const known = trayEntries(more, { dressing, free: {}, catalogue, brief: briefOf([]), unwanted: [], byOthers: true })
    expect(codes(known)).not.toContain('P-9')
  })

  test('are to be avoided by what brings them, who made them, and what they cost unless owned', () => {
    const avoided = (brief: Brief, free = {}, unwanted: string[] = []) =>
      codes(entries(brief, free, unwanted).filter((entry) => entry.avoided))
    expect(avoided(briefOf([]), {}, ['P-2'])).toEqual(['P-2'])
    expect(avoided(briefOf([], { byOthers: true }))).toEqual(['P-5'])
    expect(avoided(briefOf([], { priceAbove: 99 }))).toEqual(['P-1', 'P-3'])
    expect(avoided(briefOf([], { priceAbove: 99 }), { 'P-1': 1 })).toEqual(['P-3'])
  })
})

describe('the tray', () => {
  const all = entries(briefOf([copper, tied]), { 'P-2': 1 })

  test('comes by likeness, the cheaper of equals first, what is to be avoided last', () => {
    expect(arranged(all, {})).toEqual(['P-1', 'P-2', 'P-5', 'P-3', 'P-4'])
    const avoiding = briefOf([copper, tied], { byOthers: true })
    expect(arranged(entries(avoiding), {}, avoiding).at(-1)).toBe('P-5')
  })

  test('comes by price as the slider moves over', () => {
    expect(arranged(all, { mix: 1 })[0]).toBe('P-2')
    expect(arranged(all, { mix: 1 }).at(-1)).toBe('P-4')
    expect(arranged(all, { mix: 0.2 })[0]).toBe('P-1')
  })

  test('comes with what is owned first, by price, or by name', () => {
    expect(arranged(all, { order: 'owned' })).toEqual(['P-2', 'P-5', 'P-3', 'P-1', 'P-4'])
    expect(arranged(all, { order: 'price' })).toEqual(['P-5', 'P-2', 'P-3', 'P-1', 'P-4'])
    expect(arranged(all, { order: 'name' })).toEqual(['P-1', 'P-2', 'P-5', 'P-3', 'P-4'])
  })

  test('keeps to what is owned, near the wished colour, under a limit, or called so', () => {
    expect(arranged(all, { ownedOnly: true })).toEqual(['P-2'])
    expect(arranged(all, { wishedColour: true })).not.toContain('P-2')
    expect(arranged(all, { wishedColour: true })).toContain('P-4')
    expect(arranged(all, { wishedColour: true }, briefOf([tied]))).toContain('P-2')
    expect(arranged(all, { limit: 100 })).toEqual(['P-2', 'P-5', 'P-3'])
    expect(arranged(all, { limit: 0 })).toEqual(['P-2'])
    expect(arranged(all, { find: 'BUN copper' })).toEqual(['P-1'])
    expect(arranged(all, { find: 'p-4' })).toEqual(['P-4'])
  })
})

import { describe, expect, test } from '@jest/globals'
import { emptyBrief, type Brief } from '../brief/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { figureNamed, partNamed, worldCatalogue } from '../test/world.ts'
import { wear } from '../anatomy/index.ts'
import { auditOf } from './audit.ts'

const catalogue = worldCatalogue()
const porter = figureNamed('Market porter')
const with_ = (slot: Placement['slot'], part: string) => porter.map((p) => (p.slot === slot ? { ...p, part } : p))
const audit = (now: readonly Placement[], more: Partial<Parameters<typeof auditOf>[2]> = {}) =>
  auditOf(porter, now, {
    from: now.map(() => 'buy' as const),
    brief: emptyBrief(),
    catalogue,
    lowest: {},
    level: 4,
    ...more,
  })
const head = partNamed('Calm / out of breath', 'Shell').code

describe('an audit', () => {
  test('of a figure as it was released finds nothing', () => {
    expect(audit(porter)).toMatchObject({ changes: [], cost: 0, verdict: 'kept' })
  })

  test('names what was and what is, with what it costs', () => {
    const { changes, cost } = audit(with_('head', head), { lowest: { [head]: 124 } })
    expect(changes).toEqual([
      {
        key: 'head',
        label: 'Head',
        was: porter.find(({ slot }) => slot === 'head')!.part,
        is: head,
        toBuy: 1,
        cost: 124,
        unsold: 0,
      },
    ])
    expect(cost).toBe(124)
    expect(audit(with_('head', head)).changes[0]).toMatchObject({ toBuy: 1, cost: 0, unsold: 1 })
    const owned = audit(with_('head', head), { from: porter.map(() => 'drawer' as const), lowest: { [head]: 124 } })
    expect(owned).toMatchObject({ cost: 0, changes: [{ toBuy: 0, unsold: 0 }] })
  })

  test('counts what is sold as one for less as one, though it is two rows', () => {
    const worn = porter.filter(({ slot }) => slot !== 'torso' && !slot.startsWith('arm') && !slot.startsWith('hand'))
    const dressed = [...catalogue.parts.values()].find(
      ({ mould, components }) => mould === 'M-DRESS' && components.length === 5,
    )!
    const now = wear(worn, 'torso', dressed, catalogue)
    const lowest = Object.fromEntries(dressed.components.map(({ part }) => [part, 100]))
    const { cost: singly, changes: rows } = audit(now, { lowest })
    expect([singly, rows.filter(({ toBuy }) => toBuy > 0).length > 1]).toEqual([
      100 * rows.reduce((sum, { toBuy, unsold }) => sum + toBuy - unsold, 0),
      true,
    ])
    const whole = { ...lowest, [dressed.code]: 160 }
    expect(audit(now, { lowest: whole }).cost).toBe(160)
    // With an arm of its own the other pieces are had from the whole only where it comes apart.
    const [sleeve] = [...catalogue.parts.values()].filter(
      ({ mould, code }) =>
        mould === catalogue.parts.get(now.find(({ slot }) => slot === 'armLeft')!.part)!.mould && !(code in lowest),
    )
    const oneArm = now.map((one) => (one.slot === 'armLeft' ? { ...one, part: sleeve!.code } : one))
    const [apart, joined] = ([4, 0] as const).map((level) => audit(oneArm, { lowest: whole, level }).cost)
    expect(apart).toBe(160)
    expect(joined).toBeGreaterThan(160)
  })

  test('lets the piece that changed speak for its row, and what is altered for itself', () => {
    const left = porter.find(({ slot }) => slot === 'armLeft')!.part
    const [sleeve] = [...catalogue.parts.values()].filter(
      ({ mould, code }) => mould === catalogue.parts.get(left)!.mould && code !== left,
    )
    expect(audit(with_('armLeft', sleeve!.code)).changes).toMatchObject([{ key: 'arms', was: left, is: sleeve!.code }])
    const torso = porter.find(({ slot }) => slot === 'torso')!.part
    const turned = porter.map((p) => (p.slot === 'torso' ? { ...p, turned: true } : p))
    expect(audit(turned).changes).toMatchObject([{ key: 'torso', was: torso, is: torso }])
    const bare = porter.filter(({ slot }) => slot !== 'neck')
    expect(audit(bare).changes).toMatchObject([{ key: 'neck', is: null, toBuy: 0 }])
  })

  test('judges by the brief alone', () => {
    const wish = (target: string): Brief => ({
      ...emptyBrief(),
      wishes: [{ place: 'head', trait: 'beard', target, weight: 'matters' }],
    })
    const shaved = with_('head', head)
    expect(audit(shaved, { brief: wish('none') }).verdict).toBe('better')
    expect(audit(shaved, { brief: wish('full') }).verdict).toBe('worse')
    expect(audit(with_('hips', partNamed('Hips', 'Peat').code)).verdict).toBe('even')
  })
})

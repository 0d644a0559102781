import { describe, expect, test } from '@jest/globals'
import { dress, DRESSINGS, wear } from '../anatomy/index.ts'
import { emptyBrief, likenessOf } from '../brief/index.ts'
import { drawFigure } from '../mannequin/index.ts'
import { pinsOf } from '../fitting/index.ts'
import { partNamed, withoutComponents, worldCatalogue } from '../test/world.ts'
import { alsoFills, isWhole, mainPiece, piecesWorn, slotsFilled } from './onePiece.ts'
import type { Part, Placement } from './types.ts'

const known = worldCatalogue()
const unknown = withoutComponents(known)
const wholes = [...known.parts.values()].filter((part) => part.components.length > 0)
const on = (part: Part, catalogue: typeof known): Placement[] =>
  wear([], isPair(part) ? 'hips' : 'torso', catalogue.parts.get(part.code)!, catalogue)
const isPair = (part: Part) => known.moulds.get(part.mould)!.kind === 'leg-pair'
const head = [...known.parts.values()].find(({ mould }) => known.moulds.get(mould)!.kind === 'head')!

describe('a whole whose pieces nobody has written down', () => {
  test('is put on as one and fills the places its pieces would', () => {
    expect(wholes.length).toBeGreaterThan(20)
    for (const part of wholes) {
      const own = unknown.parts.get(part.code)!
      expect(isWhole(own, unknown)).toBe(true)
      const worn = on(part, unknown)
      expect(worn.map(({ part: code }) => code)).toEqual([part.code])
      expect([...slotsFilled(worn, unknown)].sort()).toEqual([...slotsFilled(on(part, known), known)].sort())
      expect(alsoFills(part, known)).toEqual([])
    }
  })

  test('takes off what is where its pieces go, and lets another hand be put on', () => {
    const torso = wholes.find((part) => !isPair(part))!
    const mitt = partNamed('Mitt', 'Umber')
    const own = unknown.parts.get(torso.code)!
    const hands = dress(
      [],
      DRESSINGS['hands']!.find(({ key }) => key === 'both-hands')!,
      mitt,
      unknown,
    )
    const dressed = wear(hands, 'torso', own, unknown)
    expect(dressed.map(({ part }) => part)).toEqual([own.code])
    const changed = wear(dressed, 'handLeft', mitt, unknown)
    expect(changed.map(({ slot, part }) => [slot, part])).toEqual([
      ['torso', own.code],
      ['handLeft', mitt.code],
    ])
    expect(piecesWorn(changed, unknown).filter(({ slot }) => slot === 'handLeft')).toHaveLength(1)
  })

  test('lacks no limbs and has the skin and legs of what is seen', () => {
    for (const part of wholes.filter(isPair)) {
      const [one, pieces] = [on(part, unknown), on(part, known)]
      const lacks = (worn: Placement[], catalogue: typeof known) =>
        pinsOf([...worn, { slot: 'head', part: head.code, order: 0, turned: false }], { catalogue, free: {} })
          .filter(({ rule }) => rule === 'whole-figure')
          .map(({ detail }) => detail)
      expect(lacks(one, unknown)).toEqual(lacks(pieces, known))
      const colour = known.colours.get(part.colours[0]!)!
      const brief = {
        ...emptyBrief(),
        wishes: [{ place: 'legs' as const, trait: 'colour', target: colour.hex, weight: 'matters' as const }],
      }
      const told = (worn: Placement[], catalogue: typeof known) =>
        likenessOf(worn, brief, catalogue).terms.map(({ milli, most, words }) => [milli, most, words])
      expect(told(one, unknown)).toEqual(told(pieces, known))
    }
  })

  test('is known by the piece that carries its print, in whichever order its pieces are told', () => {
    for (const part of wholes) {
      const main = known.parts.get(mainPiece(part))!
      expect([main.print, mainPiece({ ...part, components: [...part.components].reverse() })]).toEqual([
        part.print,
        main.code,
      ])
    }
    expect(mainPiece(head)).toBe(head.code)
  })

  test('is drawn with all of its pieces', () => {
    for (const part of wholes.slice(0, 12)) {
      const drawn = drawFigure(on(part, unknown), unknown)
      expect(JSON.stringify(drawn)).not.toBe(JSON.stringify(drawFigure([], unknown)))
    }
  })
})

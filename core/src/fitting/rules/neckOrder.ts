import { takeOff } from '../../anatomy/index.ts'
import { mouldOf } from '../../catalogue/index.ts'
import { wornIn, type Pin, type Rule } from '../pin.ts'

/**
 * What goes round the neck has its order and its enemies: cloth lies under what is stiff, since it is crushed over it, and
 * a long mane leaves no room for a pack on the back.
 */
export const neckOrder: Rule = (placements, context) => {
  const { catalogue } = context
  const pieces = wornIn(placements, 'neck', context).map((worn) => ({ ...worn, mould: mouldOf(catalogue, worn.part) }))
  const pins: Pin[] = []
  const isA = (material: string) => (piece: (typeof pieces)[number]) => piece.mould.traits['material'] === material
  const stiff = pieces.find(isA('stiff'))
  const cloth = stiff && pieces.slice(pieces.indexOf(stiff)).find(isA('cloth'))
  if (cloth) {
    const ordered = [...pieces.filter(isA('cloth')), ...pieces.filter((piece) => !isA('cloth')(piece))]
    pins.push({
      rule: 'neck-order',
      severity: 'notice',
      slots: ['neck'],
      title: 'Cloth over stiff',
      detail: `${cloth.part.name} over ${stiff.part.name.toLowerCase()}: cloth goes under`,
      remedies: [
        {
          label: `Put ${cloth.part.name.toLowerCase()} under`,
          placements: [
            ...takeOff(placements, 'neck'),
            ...ordered.map(({ placement }, order) => ({ ...placement, order })),
          ],
        },
      ],
    })
  }
  const packs = pieces.filter(({ mould }) => mould.traits['pack'] === 'yes')
  const names = [...new Set(packs.map(({ part }) => part.name.toLowerCase()))]
  const mane = wornIn(placements, 'headgear', context).find(
    ({ part }) => mouldOf(catalogue, part).traits['mane'] === 'yes',
  )
  if (packs.length > 0 && mane)
    pins.push({
      rule: 'mane-and-pack',
      severity: 'problem',
      slots: ['neck', 'headgear'],
      title: 'No room for hair and pack',
      detail: `${mane.part.name} hangs where ${names.join(' and ')} ${names.length > 1 ? 'sit' : 'sits'}`,
      remedies: [
        {
          label: `Take off ${names.join(' and ')}`,
          placements: placements.filter((placement) => !packs.some((pack) => pack.placement === placement)),
        },
      ],
    })
  return pins
}

import { wear } from '../anatomy/index.ts'
import { mouldOf, type Catalogue, type Part } from '../catalogue/index.ts'
import { formatMoney, HOME_CURRENCY } from '../market/index.ts'
import { wornIn, type Rule } from './pin.ts'

/** Plain torsos by mould and main colour; made once a catalogue. */
const PLAIN = new WeakMap<Catalogue, Map<string, Part[]>>()

function plainLike(part: Part, catalogue: Catalogue): readonly Part[] {
  let known = PLAIN.get(catalogue)
  if (!known) {
    known = new Map()
    for (const one of catalogue.parts.values()) {
      const key = `${one.mould} ${one.colours[0]}`
      if (one.print === null && one.components.length === 0) known.set(key, [...(known.get(key) ?? []), one])
    }
    PLAIN.set(catalogue, known)
  }
  return known.get(`${part.mould} ${part.colours[0]}`) ?? []
}

/**
 * A print that has to be paid for, though what is worn over it covers it from the front and from behind; a plain part of
 * the same colour would do. Pinned only where the drawer does not give the print and the plain one costs less.
 */
export const hiddenPrint: Rule = (placements, context) => {
  const { catalogue, free, lowest = {} } = context
  const [torso] = wornIn(placements, 'torso', context)
  if (!torso?.print || (free[torso.part.code] ?? 0) > 0) return []
  const over = wornIn(placements, 'neck', context).find(({ part }) => {
    const { covers } = mouldOf(catalogue, part)
    return covers.includes('chest') && covers.includes('back')
  })
  const price = lowest[torso.part.code]
  if (!over || !price) return []
  const costs = (part: Part) => ((free[part.code] ?? 0) > 0 ? 0 : lowest[part.code])
  const plain = plainLike(torso.part, catalogue)
    .map((part) => ({ part, costs: costs(part) }))
    .filter(
      (one): one is { part: Part; costs: number } => one.costs !== null && one.costs !== undefined && one.costs < price,
    )
    .sort((a, b) => a.costs - b.costs)[0]
  if (!plain) return []
  return [
    {
      rule: 'hidden-print',
      severity: 'hint',
      slots: ['torso'],
      title: 'Nobody sees this print',
      detail: `${over.part.name} covers it; a plain one saves ${formatMoney(price - plain.costs, HOME_CURRENCY)}`,
      remedies: [
        {
          label: plain.costs === 0 ? 'Wear the plain one you own' : 'Wear a plain one',
          placements: wear(placements, 'torso', plain.part, catalogue),
        },
      ],
    },
  ]
}

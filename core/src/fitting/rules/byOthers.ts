import { takeOff } from '../../anatomy/index.ts'
import { mouldOf } from '../../catalogue/index.ts'
import { isCopy } from '../../drawer/index.ts'
import { pinned, placeKey, rulesOf, type Pin, type Rule } from '../pin.ts'

/** Parts by others, and copies by others of the maker's parts, are for an open bench alone. */
export const byOthers: Rule = (placements, context) => {
  if (rulesOf(context).byOthers) return []
  const { catalogue } = context
  return placements.flatMap((placement): Pin[] => {
    const { slot, part: code, order } = placement
    const part = catalogue.parts.get(code)
    if (!part) return []
    const copy = isCopy(placement)
    if (!copy && mouldOf(catalogue, part).traits['maker'] !== 'other') return []
    return [
      pinned(
        {
          rule: `by-others-${placeKey(placement)}`,
          severity: 'problem',
          slots: [slot],
          title: 'Made by others',
          detail: `${part.name}: the house rules take parts of the maker alone`,
        },
        () => [
          copy
            ? {
                label: 'Use the maker’s own',
                placements: placements.map((p) =>
                  p === placement ? { ...p, altered: p.altered!.filter(({ kind }) => kind !== 'by-others') } : p,
                ),
              }
            : { label: 'Take it off', placements: takeOff(placements, slot, order) },
        ],
      ),
    ]
  })
}

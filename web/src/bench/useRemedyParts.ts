import { useEffect, useMemo } from 'react'
import type { Slot } from '@outfit/core/catalogue'
import type { Pin } from '@outfit/core/fitting'
import { api } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'

/** Where a rule looks for its remedies besides the slot it is stuck in, by the start of its name. */
const ALSO: readonly (readonly [rule: string, slots: readonly Slot[]])[] = [
  ['brows', ['headgear']],
  ['faces-apart', ['headgear']],
  ['other-face', ['headgear']],
  ['print-runs-on', ['hips']],
  ['colour-families', ['hips']],
  ['stature', ['hips']],
  ['stands-up', ['feet']],
  ['ability', ['heldRight', 'neck', 'beside']],
]

/** Both sides of the body are looked for on one. */
const sideOf = (slot: Slot): Slot => slot.replace(/Left$/, 'Right') as Slot

/** Fetch the parts that the remedies of some pins choose among; the catalogue of the screen knows them a moment later. */
export function useRemedyParts(pins: readonly Pin[]) {
  const dispatch = useAppDispatch()
  const wanted = useMemo(
    () =>
      [
        ...new Set(
          pins.flatMap(({ rule, slots }) => [
            sideOf(slots[0]!),
            ...ALSO.flatMap(([start, also]) => (rule.startsWith(start) ? also : [])),
          ]),
        ),
      ]
        .sort()
        .join(' '),
    [pins],
  )
  useEffect(() => {
    const asked = wanted
      .split(' ')
      .filter(Boolean)
      .map((slot) => dispatch(api.endpoints.candidates.initiate(slot as Slot)))
    return () => asked.forEach((query) => query.unsubscribe())
  }, [dispatch, wanted])
}

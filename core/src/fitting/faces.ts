import { memoizedFor } from '../base/index.ts'
import { mouldOf, type Catalogue, type Part, type Placement } from '../catalogue/index.ts'
import { bestOf, ofKind } from './instead.ts'
import { browsDiffer } from '../brief/index.ts'
import { wornIn, type FittingContext } from './pin.ts'

/** What a figure is known by from the front. */
export interface Face {
  head: Part
  turned: boolean
  /** Print and side shown, whatever the skin. */
  shown: string
  /** Headgear as seen: mould and colour of each piece. */
  hair: string
}

/** The face of some placements; null without a printed head. */
export const faceOf = (placements: readonly Placement[], { catalogue }: FittingContext): Face | null =>
  faceIn(placements, catalogue)

const faceIn = memoizedFor((placements: readonly Placement[], catalogue: Catalogue): Face | null => {
  const [head] = wornIn(placements, 'head', { catalogue })
  if (!head?.print) return null
  const turned = head.placement.turned && head.print.back.length > 0
  return {
    head: head.part,
    turned,
    shown: `${head.print.code}${turned ? ' turned' : ''}`,
    hair: wornIn(placements, 'headgear', { catalogue })
      .map(({ part }) => `${part.mould} ${part.colours[0] ?? ''}`)
      .join(', '),
  }
})

/** Old or new: the way a face is drawn. */
export const styleOf = (head: Part, { catalogue }: FittingContext): 'old' | 'new' =>
  catalogue.prints.get(head.print ?? '')?.traits['style'] === 'old' ? 'old' : 'new'

/**
 * Heads of the same shape and skin as one, best first: the more of expression, age, beard, glasses, style and brows they share the
 * better. Brows that disagree with the hair worn are left out, and what `fits` refuses.
 */
export function headsLike(
  head: Part,
  placements: readonly Placement[],
  context: FittingContext,
  fits: (part: Part) => boolean,
): Part[] {
  const { catalogue } = context
  const traits = (part: Part) => catalogue.prints.get(part.print ?? '')?.traits ?? {}
  const own = traits(head)
  const [hair] = wornIn(placements, 'headgear', context)
  const shows = hair && mouldOf(catalogue, hair.part).traits['hat'] !== 'yes' ? hair.colour : undefined
  return bestOf(ofKind('head', context), context, (part) => {
    if (part.mould !== head.mould || part.colours[0] !== head.colours[0] || !part.print || !fits(part)) return null
    const other = traits(part)
    const brows = catalogue.colours.get(other['brows'] ?? '')
    if (shows && brows && browsDiffer(brows, shows)) return null
    return ['expression', 'age', 'beard', 'glasses', 'style', 'brows'].filter((key) => own[key] !== other[key]).length
  })
}

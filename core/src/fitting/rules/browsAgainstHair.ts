import { overHairOf } from '../../anatomy/index.ts'
import { mouldOf, type Colour, type Part, type Placement } from '../../catalogue/index.ts'
import { colourDifference } from '../../colour/index.ts'
import { browsDiffer } from '../../brief/index.ts'
import { headsLike } from '../faces.ts'
import { bestOf, inPlace, ofMould, wearing } from '../instead.ts'
import { pinned, wornIn, type FittingContext, type Pin, type Rule } from '../pin.ts'

interface Hair {
  placement: Placement
  part: Part
  colour: Colour
}

/** The hair that shows, as a colour; hats hide the question, and so does a bald head. */
function hairShown(placements: readonly Placement[], context: FittingContext): Hair | null {
  const [headgear, over] = wornIn(placements, 'headgear', context)
  if (over && overHairOf(mouldOf(context.catalogue, over.part)) === 'hides') return null
  if (!headgear?.colour) return null
  const { traits } = mouldOf(context.catalogue, headgear.part)
  return traits['hair'] === 'yes' && traits['hat'] !== 'yes'
    ? { placement: headgear.placement, part: headgear.part, colour: headgear.colour }
    : null
}

const BEARDS: readonly string[] = ['beard', 'moustache', 'stubble']

/** Colour of the beard a head or a piece round the neck shows. */
function beardOf(part: Part, { catalogue }: FittingContext): Colour | undefined {
  if (mouldOf(catalogue, part).silhouette === 'beard-piece') return catalogue.colours.get(part.colours[0] ?? '')
  const layer = catalogue.prints.get(part.print ?? '')?.front.find(({ kind }) => BEARDS.includes(kind))
  return catalogue.colours.get(String(layer?.['colour'] ?? ''))
}

const browsOf = (part: Part, { catalogue }: FittingContext) =>
  catalogue.colours.get(catalogue.prints.get(part.print ?? '')?.traits['brows'] ?? '')

/**
 * Brows and beard that are plainly another colour than the hair above them (CIEDE2000 beyond
 * FITTING_LIMITS.browsAgainstHair). Remedies: another head of that skin whose brows and beard agree, the nearest in
 * expression first; else the hair in the colour of the brows. Some leave it on purpose, which is what accepting is for.
 */
export const browsAgainstHair: Rule = (placements, context) => {
  const hair = hairShown(placements, context)
  if (!hair) return []
  const [head] = wornIn(placements, 'head', context)
  const pins: Pin[] = []
  const brows = head && browsOf(head.part, context)
  if (brows && browsDiffer(brows, hair.colour))
    pins.push(
      pinned(
        {
          rule: 'brows-against-hair',
          severity: 'notice',
          slots: ['head'],
          title: 'Brows against hair',
          detail: `${brows.name} on ${hair.colour.name}, ΔE ${Math.round(colourDifference(brows.hex, hair.colour.hex))}`,
        },
        () => otherHeadOrHair(placements, head.part, hair, brows, context),
      ),
    )
  const bearded = [head, ...wornIn(placements, 'neck', context)].find((worn) => worn && beardOf(worn.part, context))
  const beard = bearded && beardOf(bearded.part, context)
  // One remark is enough where the beard has the colour of the brows.
  if (beard && browsDiffer(beard, hair.colour) && !(pins.length > 0 && brows?.code === beard.code)) {
    const { slot } = bearded.placement
    pins.push(
      pinned(
        {
          rule: 'beard-against-hair',
          severity: 'notice',
          slots: [slot],
          title: 'Beard against hair',
          detail: `${beard.name} on ${hair.colour.name}, ΔE ${Math.round(colourDifference(beard.hex, hair.colour.hex))}`,
        },
        () =>
          slot === 'neck'
            ? bestOf(ofMould(bearded.part.mould, context), context, (part) => {
                const own = beardOf(part, context)
                return own && !browsDiffer(own, hair.colour) ? colourDifference(own.hex, hair.colour.hex) : null
              })
                .slice(0, 1)
                .map((part) => inPlace(placements, bearded.placement, part, context))
            : otherHeadOrHair(placements, bearded.part, hair, beard, context),
      ),
    )
  }
  return pins
}

/** The head nearest in expression whose brows and beard agree with the hair, and the hair in the colour they have. */
function otherHeadOrHair(
  placements: readonly Placement[],
  head: Part,
  hair: Hair,
  wanted: Colour,
  context: FittingContext,
) {
  const [face] = headsLike(head, placements, context, (part) => {
    const beard = beardOf(part, context)
    return browsOf(part, context) !== undefined && !(beard && browsDiffer(beard, hair.colour))
  })
  const [dyed] = bestOf(ofMould(hair.part.mould, context), context, (part) => {
    const colour = context.catalogue.colours.get(part.colours[0] ?? '')
    return colour && !browsDiffer(wanted, colour) ? colourDifference(wanted.hex, colour.hex) : null
  })
  return [
    ...(face
      ? [
          wearing(placements, 'head', face, context, {
            words: `Wear the face ${context.catalogue.prints.get(face.print ?? '')?.name ?? face.name}`,
          }),
        ]
      : []),
    ...(dyed ? [inPlace(placements, hair.placement, dyed, context)] : []),
  ]
}

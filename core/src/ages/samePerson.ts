import { partLabel, type Catalogue, type Part } from '../catalogue/index.ts'
import { FACE_AGES, GREY, type FaceAge } from './aged.ts'

/** Features that stay with a person whatever their age, as they are told of. */
const STAYS: readonly (readonly [trait: string, words: string])[] = [['scar', 'the scar']]

/**
 * What of two heads of one person speaks against their being the same at two ages: another skin, a scar that only the younger
 * has, brows that turn from one colour of youth to another. Empty where nothing does.
 */
export function againstSamePerson(one: Part, other: Part, catalogue: Catalogue): string[] {
  const traitsOf = ({ print }: Part) => catalogue.prints.get(print ?? '')?.traits ?? {}
  const ageOf = (part: Part) => FACE_AGES.indexOf((traitsOf(part)['age'] ?? 'adult') as FaceAge)
  const [younger, elder] = ageOf(one) <= ageOf(other) ? [one, other] : [other, one]
  const [young, old] = [traitsOf(younger), traitsOf(elder)]
  const colour = ({ colours }: Part) => catalogue.colours.get(colours[0] ?? '')
  const grey = (code: string) => GREY.includes(catalogue.colours.get(code)?.family ?? '')
  const told: string[] = []
  if (colour(younger)?.code !== colour(elder)?.code)
    told.push(`skin ${colour(younger)?.name ?? 'unknown'} against ${colour(elder)?.name ?? 'unknown'}`)
  for (const [trait, words] of STAYS)
    if (young[trait] && !old[trait]) told.push(`${words} is gone on ${partLabel(catalogue, elder)}`)
  if (young['brows'] && old['brows'] && young['brows'] !== old['brows'] && !grey(old['brows']))
    told.push(
      `brows ${catalogue.colours.get(young['brows'])?.name ?? young['brows']} against ${catalogue.colours.get(old['brows'])?.name ?? old['brows']}`,
    )
  return told
}

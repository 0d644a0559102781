import { colourInWords, PLACE_FACTS, traitNamed, WEIGHTS, type BriefWish } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'

/** A wish as it is said in one breath: "Beard: full", "Torso: Marigold, must". */
export function wishInWords({ place, trait: key, target, weight }: BriefWish, catalogue: Catalogue): string {
  const trait = traitNamed(key)
  const value =
    trait.kind === 'colour'
      ? colourInWords(target, catalogue)
      : trait.kind === 'mould'
        ? (catalogue.moulds.get(target)?.name ?? target)
        : target
  const plain = trait.kind === 'colour' || trait.kind === 'mould'
  const what =
    plain && trait.key !== 'brows' && trait.key !== 'bootColour' ? PLACE_FACTS[place].label : capital(trait.label)
  const said = value === 'yes' ? what : value === 'no' ? `no ${what.toLowerCase()}` : `${what}: ${value}`
  return weight === 'matters' ? said : `${said}, ${WEIGHTS[weight].label}`
}

const capital = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`

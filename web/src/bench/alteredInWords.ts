import type { Alteration, Catalogue } from '@outfit/core/catalogue'
import { ALTERATION_WORDS } from '@outfit/core/roster'

/** "painted Wine, 20 % trimmed": what is done to a part, with the figures in it. */
export function alteredInWords(altered: readonly Alteration[], catalogue: Catalogue): string {
  return altered
    .map(({ kind, colour, print, share }) => {
      const { done } = ALTERATION_WORDS[kind]
      if (kind === 'painted') return `${done} ${catalogue.colours.get(colour ?? '')?.name ?? colour}`
      if (kind === 'sticker') return `${done}: ${catalogue.prints.get(print ?? '')?.name ?? print}`
      return share === undefined ? done : `${share} % ${done}`
    })
    .join(', ')
}

import type { Placement } from '@outfit/core/catalogue'

/** What is worn as text, whatever order it was put on in. */
export const asText = (list: readonly Placement[]): string =>
  list
    .map(
      ({ slot, part, order, turned, altered = [], made = null }) =>
        `${slot} ${order} ${part} ${turned} ${JSON.stringify([altered, made])}`,
    )
    .sort()
    .join('\n')

const NARROW = new Set("iljtfrI1.,:;'|!()[] \u00a0·")
const WIDE = new Set('mwMWQO@%&–')

/**
 * Rough width of a text in the card's face, in the unit of `size`. The card must be laid out where no font is loaded, so
 * this errs a little to the wide side (Atkinson Hyperlegible Next, regular; capitals 0.68, small letters 0.56 of an em).
 */
export function textWidth(text: string, size: number): number {
  let ems = 0
  for (const char of text)
    ems += NARROW.has(char) ? 0.31 : WIDE.has(char) ? 0.88 : char >= 'A' && char <= 'Z' ? 0.68 : 0.56
  return ems * size
}

/** Break a text into lines no wider than `width`; a longer word stands alone and is cut with an ellipsis. */
export function wrapText(text: string, size: number, width: number, most = 2): string[] {
  const lines: string[] = []
  for (const word of text.split(/\s+/)) {
    const last = lines[lines.length - 1]
    if (last !== undefined && textWidth(`${last} ${word}`, size) <= width) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  const kept = lines.slice(0, most)
  if (lines.length > most) kept[most - 1] += '…'
  return kept.map((line) => {
    let cut = line
    while (textWidth(cut, size) > width && cut.length > 2) cut = `${cut.replace(/…$/, '').slice(0, -1)}…`
    return cut
  })
}

/** A text set into a room. */
export interface FittedText {
  lines: string[]
  /** Height of the em that was taken. */
  size: number
  /** From one baseline to the next. */
  leading: number
  fits: boolean
  /** Room it needs at its smallest: as wide as its longest word, as high as its lines. */
  needs: { width: number; height: number }
}

/** Baselines are this many ems apart. */
const LEADING = 1.2

/** How much wider than `textWidth` says our strong and heading faces run at most, measured on words of several languages. */
const WIDER = { text: 1, strong: 1.05, heading: 1.13 } as const

/**
 * Set a text into a room: as large as it goes between `size` and `least`, on as many lines as it takes. Nothing is ever cut:
 * what does not go in even at its smallest says so and what it needs. Lengths in the unit of the room.
 */
export function fitText(
  value: string,
  {
    width,
    height,
    size,
    least = Math.min(size, 1.8),
    face = 'text',
  }: { width: number; height: number; size: number; least?: number; face?: keyof typeof WIDER },
): FittedText {
  const wider = WIDER[face]
  // A space that does not break keeps its words together.
  const words = value.split(/[ \t\n]+/).filter(Boolean)
  const set = (em: number) => {
    const lines: string[] = []
    for (const word of words) {
      const last = lines.at(-1)
      if (last !== undefined && textWidth(`${last} ${word}`, em) * wider <= width)
        lines[lines.length - 1] = `${last} ${word}`
      else lines.push(word)
    }
    const needs = {
      width: Math.max(0, ...words.map((word) => textWidth(word, em) * wider)),
      height: lines.length * em * LEADING,
    }
    return { lines, size: em, leading: em * LEADING, needs, fits: needs.width <= width && needs.height <= height }
  }
  let fitted = set(size)
  for (let em = size; !fitted.fits && em > least;) fitted = set((em = Math.max(least, em * 0.95)))
  return fitted
}

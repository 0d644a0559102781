const NARROW = new Set("iljtfrI1.,:;'|!()[] ·")
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

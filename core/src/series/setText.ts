import { fitText, type Mark, type TextMark } from '../show/index.ts'

/** Something written that does not go where it should, in millimetres. It is drawn at its smallest all the same. */
export interface DoesNotFit {
  /** "left side", "panel 3". */
  where: string
  text: string
  needs: { width: number; height: number }
  room: { width: number; height: number }
}

/** Where a text goes and how it looks. */
export interface TextRoom {
  x: number
  y: number
  width: number
  height: number
  size: number
  least?: number
  anchor?: 'start' | 'middle'
  face?: 'text' | 'strong' | 'heading'
  fill?: string
}

/**
 * Marks of a text set into a room from its top, with the height they take. What does not fit is added to `faults` and drawn
 * at its smallest: nothing is cut.
 */
export function setText(
  value: string,
  { x, y, width, height, size, least, anchor = 'start', face = 'text', fill }: TextRoom,
  where: string,
  faults: DoesNotFit[],
): { marks: Mark[]; height: number } {
  if (!value.trim()) return { marks: [], height: 0 }
  const fitted = fitText(value, { width, height, size, face, ...(least === undefined ? {} : { least }) })
  if (!fitted.fits) faults.push({ where, text: value, needs: fitted.needs, room: { width, height } })
  const look: Partial<TextMark> = {
    ...(face === 'strong' ? { strong: true } : face === 'heading' ? { heading: true } : {}),
    ...(fill ? { fill } : {}),
    anchor,
  }
  return {
    marks: fitted.lines.map((line, i): Mark => ({
      kind: 'text',
      x: anchor === 'middle' ? x + width / 2 : x,
      // The first baseline stands an ascender below the top.
      y: y + fitted.size * 0.86 + i * fitted.leading,
      size: fitted.size,
      value: line,
      ...look,
    })),
    height: fitted.lines.length * fitted.leading,
  }
}

const mm = (value: number) => Math.ceil(value * 10) / 10
/** Rounded down, so that what does not fit is never told to need what there is. */
const has = (value: number) => Math.floor(value * 10) / 10

/** "“made at home …” needs 68.2 mm of the 60 the left side has." */
export function doesNotFitInWords({ where, text, needs, room }: DoesNotFit): string {
  const shown = text.length > 60 ? `${text.slice(0, 57)}…` : text
  return needs.width > room.width
    ? `“${shown}” has a word ${mm(needs.width)} mm wide, and ${where} has room for ${has(room.width)} mm.`
    : `“${shown}” needs ${mm(needs.height)} mm in height, and ${where} has ${has(room.height)} mm.`
}

export { cardSvg, layOutCard, CARD, type CardContent, type CardEntry } from './card.ts'
export { cardEntries } from './cardEntries.ts'
export { textWidth, wrapText } from './textWidth.ts'
export { sideBySideSvg, sideBySideWidth, SIDE_BY_SIDE, type SideBySide, type SideBySideColumn } from './sideBySide.ts'

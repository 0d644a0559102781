export { cardSvg, layOutCard, CARD, type CardContent, type CardEntry } from './card.ts'
export { cardEntries } from './cardEntries.ts'
export { textWidth, wrapText } from './textWidth.ts'

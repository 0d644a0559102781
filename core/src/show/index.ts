export {
  BESIDE_FIGURE,
  CARD_CHOICES,
  CARD_SIZE_NAMES,
  CARD_SIZES,
  CARD_TEXTS,
  cardPage,
  faceBox,
  layOutCard,
  type CardChoices,
  type CardContent,
  type CardEntry,
  type CardSize,
} from './card.ts'
export {
  cornerOf,
  cropCornered,
  cropMoved,
  cropRound,
  cutPhoto,
  firstPhoto,
  photoPoints,
  pointMoved,
  quarterTurned,
  slantOf,
  turnedFrame,
  turnedPoint,
  turnedTo,
  withinFrame,
  type CardPhoto,
  type CardPoint,
  type CutPhoto,
} from './cardPhoto.ts'
export { pairPage, type PairContent, type PairRow, type PairSide } from './pairCard.ts'
export type { CardWords } from './cardFrame.ts'
export { pairRows, type Compared, type PairTold } from './pairRows.ts'
export { cardEntries, type ToldOfPart } from './cardEntries.ts'
export {
  MOST_ON_SHEET,
  PAPER_SIZE_NAMES,
  PAPER_SIZES,
  PER_PAGE,
  SHEET_CHOICES,
  sheetPages,
  type IndexLine,
  type PaperSize,
  type PerPage,
  type SheetChoices,
  type SheetContent,
} from './sheet.ts'
export {
  marksSvg,
  movedBy,
  PAGE_FAMILIES,
  type Families,
  PAPER,
  pageSvg,
  printedSize,
  printedWide,
  runsOfLayers,
  stacked,
  type GroupMark,
  type Mark,
  type Page,
  type TextMark,
} from './page.ts'
export { extentOf } from './extentOf.ts'
export { fitText, textWidth, wrapText, type FittedText } from './textWidth.ts'
export { sideBySidePage, SIDE_BY_SIDE, type SideBySide, type SideBySideColumn } from './sideBySide.ts'
export * from './lineUp.ts'
export {
  recipeOf,
  type Recipe,
  type RecipeOutfit,
  type RecipePart,
  type RecipePlacement,
  type RecipeSource,
} from './recipe.ts'
export { SHARE_SCRIPT, sharePage } from './sharePage.ts'
export {
  matchRecipe,
  type Found,
  type MatchedOutfit,
  type MatchedPart,
  type RecipeMatch,
  type RecipeReport,
} from './matchRecipe.ts'

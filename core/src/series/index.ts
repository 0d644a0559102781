export * from './series.ts'
export * from './cartonChoices.ts'
export * from './leafletChoices.ts'
export { innerSizeOf, roomTaken, type InnerSize, type RoomTaken } from './innerSize.ts'
export { checkSeries, type Lack } from './checkSeries.ts'
export { doesNotFitInWords, type DoesNotFit } from './setText.ts'
export { cartonArt, type CartonArt } from './cartonArt.ts'
export {
  CARTON_LAYERS,
  cartonNet,
  cartonSheets,
  fitOnSheet,
  linesOf,
  ruler,
  tooLargeInWords,
  type CartonSheets,
  type Fit,
  type PackMarks,
} from './cartonSheets.ts'
export { leafletSides, type LeafletPanel, type LeafletSides } from './leafletPanels.ts'
export {
  keyPages,
  labelPages,
  packInWords,
  packingListPages,
  packMark,
  packNames,
  type PackNames,
} from './packPages.ts'
export { leafletPages, type BonusTold, type Leaflet } from './leaflet.ts'

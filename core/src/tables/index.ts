export {
  TABLES,
  TABLE_NAMES,
  YEAR,
  RELEASE_KINDS,
  OFFER_KINDS,
  CONDITIONS,
  columnsOf,
  type TableName,
  type TableRow,
} from './tables.ts'
export {
  CSV_OPTIONS,
  delimiterOf,
  missingColumns,
  notCsv,
  readTable,
  rowReader,
  sparseRowReader,
  type Mapping,
  type ReadTable,
  type Reject,
} from './readTable.ts'
export { megabytes, PHOTO_LIMIT, PHOTO_TOO_LARGE, TABLE_FILE_LIMIT, tableTooLarge } from './fileLimits.ts'
export type { ImportReport } from './importReport.ts'
export { CONTROL, isDate, traits as traitsCell } from './cells.ts'
export { writeCsv, writeTable } from './writeCsv.ts'
export { guessMapping, guessTable } from './guessMapping.ts'
export { guessPart, type PartGuess } from './guessPart.ts'
export { PartGuesser, type Corrections, type GuessGroup, type GuessedRow, type SparseRow } from './guessedParts.ts'
export * from './readNames.ts'

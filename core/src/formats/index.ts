export { TABLES, RELEASE_KINDS, OFFER_KINDS, CONDITIONS, type TableName, type TableRow } from './tables.ts'
export { readTable, type ReadTable, type Reject } from './readTable.ts'
export { writeCsv } from './writeCsv.ts'

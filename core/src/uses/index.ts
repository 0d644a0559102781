export * from './exchange.ts'
export * from './mine.ts'
export * from './usesOf.ts'
export type * from './contract.ts'

export * from './usesOf.ts'
export type * from './contract.ts'

export type * from './contract.ts'
export * from './deviceOf.ts'
export * from './inWords.ts'

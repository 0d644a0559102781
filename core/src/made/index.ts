export * from './board.ts'
export type * from './contract.ts'

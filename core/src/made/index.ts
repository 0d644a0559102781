export * from './asBonus.ts'
export * from './board.ts'
export type * from './contract.ts'

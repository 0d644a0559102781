export * from './buildable.ts'
export * from './leftovers.ts'
export * from './steps.ts'
export type * from './contract.ts'

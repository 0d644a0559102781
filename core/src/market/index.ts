export * from './money.ts'
export * from './rates.ts'
export * from './replicability.ts'
export * from './lowestSum.ts'

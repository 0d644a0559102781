export * from './money.ts'
export * from './rates.ts'

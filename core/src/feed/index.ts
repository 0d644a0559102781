export * from './asked.ts'
export * from './drift.ts'

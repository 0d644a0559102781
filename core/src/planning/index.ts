export * from './rosterFacts.ts'
export * from './cuts.ts'
export * from './audit.ts'

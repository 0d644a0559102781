export * from './types.ts'
export * from './catalogueOf.ts'

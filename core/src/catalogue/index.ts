export * from './types.ts'
export * from './catalogueOf.ts'
export * from './colourGrid.ts'

export * from './onHand.ts'
export * from './allocate.ts'
export * from './units.ts'

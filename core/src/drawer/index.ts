export * from './onHand.ts'
export * from './allocate.ts'

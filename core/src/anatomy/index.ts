export * from './slots.ts'
export * from './wear.ts'

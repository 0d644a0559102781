export * from './slots.ts'
export * from './wear.ts'
export * from './dressing.ts'
export * from './putOn.ts'

export * from './difference.ts'
export * from './shade.ts'
export * from './nearest.ts'
export * from './tone.ts'

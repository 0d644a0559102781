export * from './difference.ts'
export * from './shade.ts'

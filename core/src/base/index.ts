export * from './own.ts'

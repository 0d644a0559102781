export * from './contract.ts'

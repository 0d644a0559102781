export * from './contract.ts'
export * from './paper.ts'

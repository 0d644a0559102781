export * from './contract.ts'
export * from './copiesToKeep.ts'

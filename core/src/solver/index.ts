export * from './milp.ts'
export * from './assign.ts'

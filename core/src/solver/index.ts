export * from './milp.ts'

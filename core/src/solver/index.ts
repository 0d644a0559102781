export * from './milp.ts'
export * from './assign.ts'
export * from './keptSolver.ts'
export * from './subgradient.ts'

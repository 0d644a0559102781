export * from './aged.ts'
export * from './samePerson.ts'

export * from './parcels.ts'

export { STARTER_COLOURS } from './colours.ts'
export { STARTER_MOULDS } from './moulds.ts'
export * from './pieces.ts'
export * from './shelf.ts'

export { pinsOf } from './pinsOf.ts'
export { mendAll, type Mended } from './mendAll.ts'
export { FITTING_LIMITS } from './limits.ts'
export type { FittingContext, Pin, Remedy, Severity } from './pin.ts'

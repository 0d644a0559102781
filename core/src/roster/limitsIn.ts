import type { Switches } from './houseRules.ts'

/** Switches with the money in them turned into that of another currency. */
export const limitsIn = (switches: Switches, turned: (minor: number) => number): Switches =>
  switches.spendingLimit === undefined || switches.spendingLimit === null
    ? switches
    : { ...switches, spendingLimit: turned(switches.spendingLimit) }

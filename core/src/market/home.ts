import { digitsOf, formatMoney, signOf } from './money.ts'

let home = 'EUR'

/**
 * What prices are compared and added up in; sellers' own currencies are converted through the rate table. One for a whole
 * process, as its language is: whoever opens a workspace says it first.
 */
export const homeCurrency = (): string => home

/** Say the home currency, in three capital letters (ISO 4217). Throws a sentence where it is none. */
export function setHomeCurrency(currency: string): void {
  if (!/^[A-Z]{3}$/.test(currency)) throw new Error(`"${currency}" is no currency of three capital letters`)
  home = currency
}

/** "€9.10": minor units of the home currency as a person reads them; parts of a unit, as means have, are rounded. */
export const homeMoney = (minor: number): string => formatMoney(Math.round(minor), home)

/** "€": how the home currency is written. */
export const homeSign = (): string => signOf(home)

/** Minor units of the home currency, rounded, in whole ones, as charts have them along an axis. */
export const homeUnits = (minor: number): number => Math.round(minor) / 10 ** digitsOf(home)

/** What whole units along an axis are as money: "€9.10". */
export const homeMoneyAt = (units: number): string => homeMoney(units * 10 ** digitsOf(home))

import { useState } from 'react'
import type { BuyingOptions } from '@outfit/core/sourcing'

const KEY = 'outfit.buying'

function remembered(): BuyingOptions {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as BuyingOptions
  } catch {
    return {}
  }
}

/** Without what asks for nothing, so that equal wishes are equal. */
const tidied = (options: BuyingOptions): BuyingOptions =>
  Object.fromEntries(
    Object.entries(options).filter(
      ([, value]) => value !== null && value !== undefined && !(Array.isArray(value) && value.length === 0),
    ),
  )

/**
 * What buying keeps to, remembered on this device. Limits of money, parcels and days belong to what is bought and are
 * forgotten with the view.
 */
export function useBuyingOptions(): [BuyingOptions, (change: BuyingOptions) => void] {
  const [options, setOptions] = useState(remembered)
  const change = (next: BuyingOptions) => {
    const all = tidied({ ...options, ...next })
    const { parcels: _parcels, arriveBy: _days, budget: _money, ...kept } = all
    localStorage.setItem(KEY, JSON.stringify(kept))
    setOptions(all)
  }
  return [options, change]
}

import { useEffect, useState } from 'react'

/** A value as it was when it last stood still for a moment, so that not every letter is a question. */
export function useSettled<T>(value: T, ms = 150): T {
  const [settled, settle] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => settle(value), ms)
    return () => clearTimeout(timer)
  }, [value, ms])
  return settled
}

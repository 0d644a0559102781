/** The day it is, ISO 8601, in universal time: all that is dated agrees on it. */
export const today = (): string => new Date().toISOString().slice(0, 10)

import { formatCount } from '@outfit/core/base'
/** "1 part", "1,200 parts": a number with the word that fits it. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${formatCount(n)} ${n === 1 ? one : many}`

/** "1 part", "1,200 parts": a number with the word that fits it. */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en-GB')} ${n === 1 ? one : many}`

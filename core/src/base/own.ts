/**
 * What a table holds under a word; undefined for what it only inherits, so that a word of a user's such as "constructor"
 * is a word like any other.
 */
export const own = <T>(table: Readonly<Record<string, T>>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined

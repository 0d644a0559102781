const LETTERS: Readonly<Record<string, string>> = { ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', ł: 'l', đ: 'd', ı: 'i' }

/** A text as it is compared: small letters without accents, words parted by single blanks. O(text). */
export const fold = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[ßøæœłđı]/g, (letter) => LETTERS[letter]!)
    // Umlauts written as two letters are the same word.
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\p{L}\p{N}#]+/gu, ' ')
    .trim()

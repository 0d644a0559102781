const LISTED = new Intl.ListFormat('en-GB')

/** "Ada", "Ada and Bo", "Ada, Bo and Cy". */
export const listed = (words: readonly string[]): string => LISTED.format(words)

/** Encodings a text can be read in, by the names people know them under. */
export const ENCODINGS = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16, big end first',
  'windows-1252': 'Windows, western Europe',
  'windows-1250': 'Windows, central Europe',
  'iso-8859-15': 'ISO 8859-15',
  macroman: 'Macintosh',
} as const
export type Encoding = keyof typeof ENCODINGS

/** Ways of writing numbers and days somebody may prefer, by what they are an example of. */
export const LOCALES = [
  'en-GB',
  'en-US',
  'de-DE',
  'fr-FR',
  'nl-NL',
  'es-ES',
  'it-IT',
  'pl-PL',
  'pt-PT',
  'sv-SE',
  'ja-JP',
] as const
export type Locale = (typeof LOCALES)[number]

/** Units lengths of figures are told in. What is printed to scale is in millimetres whatever is told. */
export const LENGTHS = ['mm', 'in'] as const
export type Length = (typeof LENGTHS)[number]

/** How numbers, days and lengths are written, and how tall what is measured is. */
export interface Forms {
  locale: Locale
  length: Length
  /** Height of the maker's full-size figure with a usual head of hair, in millimetres. */
  fullSize: number
}

/** Height our own doll was drawn for, in millimetres; what is told of it at that size holds at others by their ratio. */
export const USUAL_FULL_SIZE = 58
/** Between which heights a full-size figure may be, in millimetres. */
export const FULL_SIZE_LIMITS = { least: 10, most: 400 } as const

export const USUAL_FORMS: Forms = { locale: 'en-GB', length: 'mm', fullSize: USUAL_FULL_SIZE }

const now: Forms = { ...USUAL_FORMS }

/** Write like this from now on, in this thread. */
export function setForms({ locale, length, fullSize }: Forms): void {
  Object.assign(now, { locale, length, fullSize })
}

/** How it is written now. */
export const forms = (): Forms => ({ ...now })

/** Millimetres told for figures of the usual height, as they are for figures as tall as they are here. */
export const atFullSize = (mm: number): number => (mm * now.fullSize) / USUAL_FULL_SIZE

/** "12,345", "12.345": a whole number as a person reads it. */
export const formatCount = (count: number): string => count.toLocaleString(now.locale)

/** A moment or a day, ISO 8601, as a person reads it; a day alone is that day everywhere. Words stay English. */
export function formatDay(iso: string, options: Intl.DateTimeFormatOptions): string {
  const at = new Date(iso.length === 10 ? `${iso}T12:00:00` : iso)
  // Names of days and months are words of the interface, which is English; their order is the reader's.
  const named = options.month === 'long' || options.month === 'short' || options.weekday !== undefined
  const english = now.locale === 'en-US' ? 'en-US' : 'en-GB'
  return at.toLocaleString(named ? english : now.locale, options)
}

const MM_PER_INCH = 25.4

/** "60 mm", "2.36 in"; `digits` after the point of millimetres. */
export function formatLength(mm: number, digits = 0): string {
  const [value, places, unit] = now.length === 'mm' ? [mm, digits, 'mm'] : [mm / MM_PER_INCH, 2, 'in']
  const options = { minimumFractionDigits: places, maximumFractionDigits: places }
  return `${value.toLocaleString(now.locale, options)} ${unit}`
}

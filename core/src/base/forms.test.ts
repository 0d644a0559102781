import { afterEach, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { digitsOf, formatMoney, readMoney } from '../market/index.ts'
import { formatCount, formatDay, formatLength, LOCALES, setForms, USUAL_FORMS } from './forms.ts'

afterEach(() => setForms(USUAL_FORMS))

describe('how numbers and days are written', () => {
  test.each([
    ['en-GB', '12,345', '€12.34', '31/12/2026', '31 Dec 2026'],
    ['en-US', '12,345', '€12.34', '12/31/2026', 'Dec 31, 2026'],
    ['de-DE', '12.345', '12,34 €', '31.12.2026', '31 Dec 2026'],
    ['fr-FR', '12 345', '12,34 €', '31/12/2026', '31 Dec 2026'],
    ['ja-JP', '12,345', '€12.34', '2026/12/31', '31 Dec 2026'],
  ] as const)('as in %s', (locale, count, money, day, words) => {
    setForms({ ...USUAL_FORMS, locale, length: 'mm' })
    const plain = (text: string) => text.replace(/[\s\u202f\u00a0]/gu, ' ')
    expect([formatCount(12345), formatMoney(1234, 'EUR')].map(plain)).toEqual([count, money])
    expect(plain(formatDay('2026-12-31', { year: 'numeric', month: '2-digit', day: '2-digit' }))).toBe(day)
    // Months are words, and the words are English.
    expect(formatDay('2026-12-31', { year: 'numeric', month: 'short', day: 'numeric' })).toBe(words)
  })

  test('lengths are told in millimetres or inches', () => {
    expect([formatLength(60), formatLength(1.44, 1)]).toEqual(['60 mm', '1.4 mm'])
    setForms({ ...USUAL_FORMS, locale: 'en-US', length: 'in' })
    expect([formatLength(60), formatLength(25.4)]).toEqual(['2.36 in', '1.00 in'])
    setForms({ ...USUAL_FORMS, locale: 'de-DE', length: 'mm' })
    expect(formatLength(1.44, 1)).toBe('1,4 mm')
  })

  test('what is written in any way is read as the same amount', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LOCALES),
        fc.constantFrom('EUR', 'JPY', 'KWD', 'USD', 'SEK', 'PLN'),
        fc.integer({ min: 0, max: 2_000_000_000 }),
        (locale, currency, minor) => {
          setForms({ ...USUAL_FORMS, locale, length: 'mm' })
          const text = formatMoney(minor, currency)
          // Of three digits after one sign nobody can tell whether it groups or parts.
          fc.pre(!(digitsOf(currency) === 0 && /^\D*\d{1,3}[.,]\d{3}\D*$/.test(text)))
          expect([locale, text, readMoney(text, currency)]).toEqual([locale, text, minor])
        },
      ),
      { numRuns: 600 },
    )
  })
})

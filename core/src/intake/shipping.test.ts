import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { bandFault } from '../market/index.ts'
import { bandIn, readShipping } from './shipping.ts'

describe('shipping as people write it', () => {
  const [COMMA, POINT] = [
    { decimal: ',', currency: 'EUR' },
    { decimal: '.', currency: 'GBP' },
  ] as const
  test.each([
    ['3,50 €', COMMA, 'any=350'],
    ['kostenlos', COMMA, 'any=0'],
    ['bis 20 €: 3,50; darüber 6', COMMA, '2000=350 any=600'],
    ['bis 20 €: 3,50; über 20 €: 6', COMMA, '2000=350 any=600'],
    ['bis 20 €: 3,50; sonst 6', COMMA, '2000=350 any=600'],
    ['3,90, ab 50 € frei', COMMA, '4999=390 any=0'],
    ['4.50, free from 50', POINT, '4999=450 any=0'],
    ['20=3.50; any=6', POINT, '2000=350 any=600'],
    ['£2.80', POINT, 'any=280'],
    ['up to £10: £2, up to £30: £3.20, over £30 free', POINT, '1000=200 3000=320 any=0'],
    ['up to £20, £3.50; over £20, free', POINT, '2000=350 any=0'],
    ['0-20 €: 3,50; 20-50 €: 5; über 50 €: 0', COMMA, '2000=350 5000=500 any=0'],
    ['0 bis 20 €: 3,50; 20 bis 50 €: 5', COMMA, '2000=350 any=500'],
    ['3,50 bis 20 €; darüber 6', COMMA, '2000=350 any=600'],
    ['bis 100 g: 1,60; bis 0,5 kg: 2,70; darüber 4,50', COMMA, '100=160 500=270 any=450 weight'],
    ['0-100g 1.60, 100-500g 2.70, over 500g 4.50', POINT, '100=160 500=270 any=450 weight'],
    ["jusqu'à 1 kg 3,20 €; plus de 1 kg 5 €", COMMA, '1000=320 any=500 weight'],
    ['2 kg = 3.50; any = 6', POINT, '2000=350 any=600 weight'],
    ['up to 10 parts £2; up to 50 parts £3.20; over 50 parts free', POINT, '10=200 50=320 any=0 count'],
    ['do 20 szt. 9 zł; powyżej 20 szt. 14 zł', COMMA, '20=900 any=1400 count'],
    ['10 PCS 2.00; 50 PCS 3.00', POINT, '10=200 any=300 count'],
    ['2,50 je 100 g', COMMA, null],
    ['0.10 per part', POINT, null],
    ['bis 20 €: 3,50; bis 500 g: 5', COMMA, null],
    ['3-5 €', COMMA, null],
    ['bis 100 g', COMMA, null],
    ['free from 50', POINT, null],
    ['by weight', POINT, null],
    ['', POINT, null],
  ])('%s', (text, style, bands) => {
    const found = readShipping(text, style)
    const words = found && [
      ...found.bands.map(({ upTo, price }) => `${upTo ?? 'any'}=${price}`),
      ...(found.basis === 'value' ? [] : [found.basis]),
    ]
    expect(words?.join(' ') ?? null).toBe(bands)
  })

  test('whatever is written, bands are in order and hold every amount, or there are none', () => {
    const random = seeded(5)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const words = [
      'free',
      'ab',
      'bis',
      'over',
      'up to',
      '3,50',
      '20',
      '€',
      ';',
      ', ',
      '=',
      ':',
      'any',
      '£4',
      '/',
      'x',
      '-5',
      '-',
      'g',
      'kg',
      'Stück',
    ]
    let read = 0
    for (let i = 0; i < 3000; i++) {
      const text = Array.from({ length: 1 + Math.floor(random() * 9) }, () => pick(words)).join(pick(['', ' ']))
      const { bands } = readShipping(text, COMMA) ?? {}
      if (!bands) continue
      read += 1
      expect([text, bandFault(bands), bands.at(-1)!.upTo]).toEqual([text, null, null])
      expect(bands.every(({ price }) => Number.isInteger(price) && price >= 0)).toBe(true)
    }
    expect(read).toBeGreaterThan(100)
  })
})

test.each([
  ['Versand bis 100 g', 'weight'],
  ['up to 2 kg', 'weight'],
  ['20-50 €', 'value'],
  ['10 Stück', 'count'],
  ['Porto über 1 kg', 'weight'],
  ['£10-£30', 'value'],
  ['2-4 Tage', null],
  ['12-2025', null],
  ['frei ab', null],
  ['Versand', null],
  ['Versand 2025', null],
  ['Versandkosten in €', null],
  ['', null],
])('the head "%s" tells of a band by %s', (head, basis) => {
  expect(bandIn(head)).toBe(basis)
})

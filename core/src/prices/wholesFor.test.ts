import { describe, expect, it } from '@jest/globals'
import { wholesFor, type Bringer } from './waysToGet.ts'

const offer = (kind: Bringer['kind'], code: string, price: number, yields: [string, number][]): Bringer => ({
  kind,
  code,
  name: code,
  sellerName: 'Somebody',
  condition: 'used',
  price,
  multiple: 1,
  yields: yields.map(([part, qty]) => ({ part, qty })),
})
const lowest = new Map([
  ['hat', 300],
  ['coat', 500],
  ['net', 80],
])

describe('figures and boxes against single parts', () => {
  const wanted = [
    { part: 'hat', qty: 1 },
    { part: 'coat', qty: 1 },
    { part: 'mask', qty: 1 },
  ]

  it('counts what is brought, what is left over at its worth, and what nobody sells singly', () => {
    const [found] = wholesFor(
      wanted,
      [
        offer('figure', 'F-1', 600, [
          ['hat', 1],
          ['coat', 1],
          ['mask', 1],
          ['net', 2],
        ]),
      ],
      lowest,
    )
    expect(found).toMatchObject({ brings: 3, singly: 800, onlyHere: 1, leftWorth: 160, saves: 360, leftUnpriced: 0 })
    expect(found!.left).toEqual([{ part: 'net', qty: 2 }])
  })

  it('takes the cheapest offer of each, the most saving first, and passes over what brings one part only', () => {
    const found = wholesFor(
      wanted,
      [
        offer('part', 'hat', 300, [['hat', 1]]),
        offer('figure', 'F-1', 900, [
          ['hat', 1],
          ['coat', 1],
        ]),
        offer('figure', 'F-1', 700, [
          ['hat', 1],
          ['coat', 1],
        ]),
        offer('figure', 'F-2', 100, [['hat', 2]]),
        offer('release', 'Q-1', 500, [
          ['hat', 1],
          ['coat', 1],
        ]),
      ],
      lowest,
    )
    expect(found.map(({ code, saves }) => [code, saves])).toEqual([
      ['Q-1', 300],
      ['F-1', 100],
    ])
  })

  it('counts units wanted twice', () => {
    const [found] = wholesFor(
      [
        { part: 'hat', qty: 1 },
        { part: 'hat', qty: 1 },
      ],
      [offer('figure', 'F-2', 100, [['hat', 3]])],
      lowest,
    )
    expect(found).toMatchObject({ brings: 2, singly: 600, left: [{ part: 'hat', qty: 1 }], saves: 800 })
  })
})

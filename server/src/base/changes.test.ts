import { describe, expect, it } from '@jest/globals'
import { Changes } from './changes.ts'

const some = (from: number, count: number) => new Set(Array.from({ length: count }, (_, n) => `part ${from + n}`))

describe('what changes of the market concern', () => {
  it('is told together since any of the last of them, and is anything where one may concern anything', () => {
    const changes = new Changes()
    const before = changes.ofMarket
    expect(changes.offersSince(before)).toEqual(new Set())
    changes.tellOffers(some(0, 2))
    changes.tell('drawer')
    changes.tellOffers(some(1, 2))
    expect(changes.offersSince(before)).toEqual(some(0, 3))
    expect(changes.offersSince(before + 1)).toEqual(some(1, 2))
    changes.tell('market', 'catalogue')
    expect(changes.offersSince(before)).toBeNull()
    expect(changes.offersSince(changes.ofMarket)).toEqual(new Set())
  })

  it('is forgotten after a hundred of them, and sooner where they concern very much', () => {
    const changes = new Changes()
    for (let n = 0; n < 101; n++) changes.tellOffers(some(n, 1))
    expect(changes.offersSince(1)).toEqual(some(1, 100))
    expect(changes.offersSince(0)).toBeNull()
    const large = new Changes()
    for (let n = 0; n < 4; n++) large.tellOffers(some(n * 9000, 9000))
    expect(large.offersSince(1)).toEqual(some(9000, 27_000))
    expect(large.offersSince(0)).toBeNull()
  })
})

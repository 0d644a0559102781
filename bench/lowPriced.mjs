import { seeded } from '@outfit/core/base'

/**
 * A sourcing problem of the kind people meet: most parts cost less than a coin, a few are dear (log-normal prices, median
 * 15, at most 1,800), six needs in ten are single, and shipping, minimums and handling are a third to a half of the total.
 */
export function lowPriced(needCount, sellerCount, seed = 1, limits = {}) {
  const random = seeded(seed * 7 + 3)
  const whole = (from, to) => from + Math.floor(random() * (to - from + 1))
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const others = Math.round(needCount * 0.36)
  const parts = Array.from({ length: needCount + others }, (_, i) => ({
    id: `P${i}`,
    worth: Math.max(2, Math.min(1800, 15 * Math.exp(normal() * 1.5))),
    weight: whole(1, 6),
  }))
  const needs = Array.from({ length: needCount }, (_, i) => ({
    id: `n${i}`,
    qty: random() < 0.6 ? 1 : whole(2, 6),
    accept: [{ part: `P${i}`, penalty: 0 }],
  }))
  for (let i = 0; i < others; i++)
    needs[whole(0, needCount - 1)].accept.push({ part: `P${needCount + i}`, penalty: whole(2, 60) })
  for (const need of needs)
    need.accept = need.accept.filter((one, i, all) => all.findIndex((a) => a.part === one.part) === i)
  const sellers = Array.from({ length: sellerCount }, (_, i) => {
    const basis = ['value', 'count', 'weight'][whole(0, 2)]
    const first = whole(150, 750)
    const shape = random()
    const edges = {
      value: [whole(1200, 3000), whole(4000, 9000)],
      count: [whole(8, 25), whole(40, 90)],
      weight: [whole(30, 80), whole(120, 300)],
    }[basis]
    const [second, third] =
      shape < 0.25
        ? [Math.round(first * 0.7), Math.round(first * 0.4)]
        : shape < 0.4
          ? [first, 0]
          : [Math.round(first * 1.25), Math.round(first * 1.6)]
    return {
      id: `S${i}`,
      name: `Seller ${i}`,
      minimum: random() < 0.4 ? whole(100, 900) : 0,
      handling: random() < 0.4 ? whole(20, 120) : 0,
      arrivesInDays: whole(2, 14),
      shipping: {
        basis,
        bands: [
          { upTo: edges[0], price: first },
          { upTo: edges[1], price: second },
          { upTo: null, price: third },
        ],
      },
    }
  })
  const offers = []
  for (const { id: seller } of sellers) {
    const level = 0.7 + random() * 0.7
    const coverage = 0.12 + random() * 0.23
    for (const { id, worth, weight } of parts)
      if (random() < coverage) {
        const multiple = random() < 0.08 ? 2 : 1
        offers.push({
          id: `o${offers.length}`,
          seller,
          price: Math.max(1, Math.round(worth * level * (0.6 + random() * 0.8))),
          qty: multiple * whole(1, 8),
          multiple,
          weight,
          yields: [{ part: id, qty: 1 }],
        })
      }
  }
  for (let f = 0; f < Math.round(needCount * 0.27); f++) {
    const inside = [...new Set(Array.from({ length: whole(3, 7) }, () => whole(0, parts.length - 1)))].map(
      (i) => parts[i],
    )
    const worth = inside.reduce((sum, one) => sum + one.worth, 0)
    for (let n = whole(1, 4); n > 0; n--)
      offers.push({
        id: `o${offers.length}`,
        seller: `S${whole(0, sellerCount - 1)}`,
        price: Math.max(1, Math.round(worth * (0.35 + random() * 0.7))),
        qty: whole(1, 3),
        multiple: 1,
        weight: inside.reduce((sum, one) => sum + one.weight, 0),
        yields: inside.map(({ id }) => ({ part: id, qty: 1 })),
      })
  }
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs,
    owned: parts.filter(() => random() < 0.08).map(({ id }) => ({ part: id, qty: whole(1, 2) })),
    sellers,
    offers,
    resale: parts.filter(() => random() < 0.2).map(({ id, worth }) => ({ part: id, price: Math.round(worth * 0.3) })),
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.0001, ...limits },
  }
}

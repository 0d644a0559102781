import { seeded } from '@outfit/core/base'

/** A sourcing problem of the published format: bands by value, count or weight, minimums, figures, alternatives. */
export function randomProblem(needCount, sellerCount, seed = 1, limits = {}) {
  const random = seeded(seed)
  const whole = (from, to) => from + Math.floor(random() * (to - from + 1))
  const parts = Array.from({ length: needCount + Math.ceil(needCount / 3) }, (_, i) => ({
    id: `P${i}`,
    worth: whole(30, 600),
    weight: whole(1, 5),
  }))
  const needs = Array.from({ length: needCount }, (_, i) => ({
    id: `n${i}`,
    qty: random() < 0.5 ? 1 : whole(2, 5),
    accept: [
      { part: `P${i}`, penalty: 0 },
      ...(random() < 0.3 ? [{ part: `P${whole(needCount, parts.length - 1)}`, penalty: whole(10, 150) }] : []),
    ],
  }))
  const sellers = Array.from({ length: sellerCount }, (_, i) => {
    const basis = ['value', 'count', 'weight'][whole(0, 2)]
    const first = whole(200, 450)
    const edges = { value: [1500, 4000], count: [5, 20], weight: [20, 80] }[basis]
    const falling = basis === 'value' && random() < 0.5
    return {
      id: `S${i}`,
      name: `Seller ${i}`,
      minimum: random() < 0.3 ? whole(300, 1200) : 0,
      handling: random() < 0.3 ? whole(20, 80) : 0,
      arrivesInDays: whole(2, 14),
      shipping: {
        basis,
        bands: [
          { upTo: edges[0], price: first },
          { upTo: edges[1], price: falling ? Math.round(first / 2) : first + 150 },
          { upTo: null, price: falling ? 0 : first + 400 },
        ],
      },
    }
  })
  const offers = []
  for (const seller of sellers) {
    const level = 0.8 + random() * 0.5
    for (const part of parts)
      if (random() < 0.35) {
        const multiple = random() < 0.1 ? 2 : 1
        offers.push({
          id: `o${offers.length}`,
          seller: seller.id,
          price: Math.max(1, Math.round(part.worth * level * (0.7 + random() * 0.6))),
          qty: multiple * whole(1, 6),
          multiple,
          weight: part.weight,
          yields: [{ part: part.id, qty: 1 }],
        })
      }
    for (let f = 0; f < needCount / 12; f++)
      if (random() < 0.5) {
        const inside = [...new Set(Array.from({ length: whole(3, 6) }, () => whole(0, parts.length - 1)))]
        const worth = inside.reduce((sum, i) => sum + parts[i].worth, 0)
        offers.push({
          id: `o${offers.length}`,
          seller: seller.id,
          price: Math.round(worth * (0.55 + random() * 0.3)),
          qty: whole(1, 3),
          multiple: 1,
          weight: inside.reduce((sum, i) => sum + parts[i].weight, 0),
          yields: inside.map((i) => ({ part: `P${i}`, qty: 1 })),
        })
      }
  }
  return {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs,
    owned: parts.filter(() => random() < 0.1).map(({ id }) => ({ part: id, qty: whole(1, 2) })),
    sellers,
    offers,
    resale: parts.filter(() => random() < 0.15).map(({ id, worth }) => ({ part: id, price: Math.round(worth * 0.3) })),
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.0001, ...limits },
  }
}

import { seeded } from '@outfit/core/base'

/**
 * A roster problem of the published format. `kind` 0: even prices, every outfit with lists of its own out of one stock of
 * parts; 1: log-normal prices, dear shipping, few sellers have much, uniforms shared by all; 2: nearly everything owned in
 * part, whole figures cheap, tight floors.
 */
export function randomRoster(
  outfitCount,
  slotCount,
  candidateCount,
  sellerCount,
  seed = 1,
  { kind = 0, limits = {} } = {},
) {
  const random = seeded(seed * 31 + kind)
  const whole = (from, to) => from + Math.floor(random() * (to - from + 1))
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const perSlot = Math.max(
    candidateCount,
    Math.round((candidateCount * (kind === 1 ? 1.5 : 2.5) * Math.sqrt(outfitCount)) / 2),
  )
  const price = () =>
    kind === 1 ? Math.max(2, Math.min(1800, Math.round(15 * Math.exp(normal() * 1.3)))) : whole(20, 400)
  const stock = Array.from({ length: slotCount }, (_, s) =>
    Array.from({ length: perSlot }, (_, i) => ({ part: `P${s}-${i}`, worth: price(), weight: whole(1, 5) })),
  )
  const all = stock.flat()
  const share = Math.floor(100_000 / slotCount)
  const outfits = Array.from({ length: outfitCount }, (_, o) => {
    const slots = stock.map((parts, s) => {
      const order = parts.map((_, i) => i)
      for (let i = order.length - 1; i > 0; i--) {
        const j = whole(0, i)
        ;[order[i], order[j]] = [order[j], order[i]]
      }
      const best = s === 0 ? share + (100_000 - share * slotCount) : share
      const candidates = order.slice(0, candidateCount - (s > 2 ? 1 : 0)).map((i, rank) => ({
        id: `c${i}`,
        parts: [
          { part: parts[i].part, qty: 1 },
          ...(random() < 0.1 ? [{ part: all[whole(0, all.length - 1)].part, qty: whole(1, 2) }] : []),
        ],
        score: rank === 0 ? best : Math.round(best * (kind === 2 ? 1 - random() * 0.5 : random())),
        ...(s === 0 ? { face: `F${i % Math.max(outfitCount + 2, Math.ceil(perSlot / 2))}` } : {}),
      }))
      return { id: `s${s}`, candidates: s > 2 ? [...candidates, { id: 'none', parts: [], score: 0 }] : candidates }
    })
    const pairs = Array.from({ length: slotCount - 1 }, (_, s) => s + 1)
      .filter(() => random() < 0.6)
      .map((s) => {
        const other = kind === 1 && random() < 0.3 ? whole(0, s - 1) : 0
        const off = slots[other].candidates.flatMap((a) =>
          slots[s].candidates.flatMap((b) =>
            a.id !== 'none' && b.id !== 'none' && random() < 0.25 ? [[a.id, b.id, whole(1, 8) * 500]] : [],
          ),
        )
        return { a: `s${other}`, b: `s${s}`, off }
      })
    return { id: `o${o}`, floor: kind === 2 ? 70_000 : random() < 0.3 ? 50_000 : 0, slots, pairs }
  })
  const sellers = Array.from({ length: sellerCount }, (_, i) => {
    const basis = ['value', 'count', 'weight'][whole(0, 2)]
    const first = kind === 1 ? whole(150, 750) : whole(200, 450)
    const edges = { value: [1500, 4000], count: [5, 20], weight: [20, 80] }[basis]
    const falling = basis === 'value' && random() < 0.5
    return {
      id: `S${i}`,
      name: `Seller ${i}`,
      minimum: random() < 0.3 ? whole(200, 1000) : 0,
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
    const coverage = kind === 1 ? 0.12 + random() * 0.23 : 0.3
    for (const { part, worth, weight } of all)
      if (random() < coverage) {
        const multiple = random() < 0.1 ? 2 : 1
        offers.push({
          id: `o${offers.length}`,
          seller: seller.id,
          price: Math.max(1, Math.round(worth * level * (0.7 + random() * 0.6))),
          qty: multiple * whole(1, 6),
          multiple,
          weight,
          yields: [{ part, qty: 1 }],
        })
      }
    for (let f = 0; f < slotCount / 2; f++) {
      const inside = stock.filter(() => random() < 0.7).map((parts) => parts[whole(0, parts.length - 1)])
      const worth = inside.reduce((sum, one) => sum + one.worth, 0)
      if (inside.length > 0)
        offers.push({
          id: `o${offers.length}`,
          seller: seller.id,
          price: Math.max(1, Math.round(worth * (kind === 2 ? 0.3 + random() * 0.3 : 0.35 + random() * 0.7))),
          qty: whole(1, 3),
          multiple: 1,
          weight: inside.reduce((sum, one) => sum + one.weight, 0),
          yields: inside.map(({ part }) => ({ part, qty: 1 })),
        })
    }
  }
  return {
    format: 'outfit.roster-problem',
    version: 1,
    currency: 'EUR',
    worth: 40,
    outfits,
    owned: all.filter(() => random() < (kind === 2 ? 0.3 : 0.1)).map(({ part }) => ({ part, qty: whole(1, 2) })),
    sellers,
    offers,
    resale: all.filter(() => random() < 0.15).map(({ part, worth }) => ({ part, price: Math.round(worth * 0.3) })),
    limits: { parcels: null, arriveBy: null, budget: null, faces: 'distinct', seconds: 20, gap: 0.0001, ...limits },
  }
}

import { dateAfter, seeded } from '@outfit/core/base'
import { isSmall, parts as all } from './parts.mjs'
import { figures, releases } from './releases.mjs'

const parts = all.filter((part) => !isSmall(part))

/** Offers of the first sellers come from one stream of chance, those of the newer ones from another. */
const FOUNDERS = 5
/** The day of the offers; the market makes the weeks before it and the days after. */
const DAY = '2026-11-23'
/** Weeks of history, the day's own among them. */
export const WEEKS = 26

export const sellers = [
  {
    code: 'tin-whistle',
    name: 'Tin Whistle Parts',
    country: 'Lantern Quay',
    currency: 'EUR',
    minimum: 500,
    handling: 30,
    arrivesInDays: 5,
    rating: 4,
    basis: 'value',
    bands: [
      [1500, 290],
      [4000, 420],
      [null, 0],
    ],
    share: 0.46,
    level: 1.0,
  },
  {
    code: 'lock-nine',
    name: 'Lock 9 Loft',
    country: 'Lantern Quay',
    currency: 'EUR',
    minimum: 0,
    handling: 0,
    arrivesInDays: 8,
    rating: 5,
    basis: 'weight',
    bands: [
      [20, 320],
      [60, 460],
      [null, 690],
    ],
    share: 0.4,
    level: 0.92,
  },
  {
    code: 'old-cooperage',
    name: 'Old Cooperage',
    country: 'Weir Bank',
    currency: 'EUR',
    minimum: 500,
    handling: 50,
    arrivesInDays: 3,
    rating: 3,
    basis: 'count',
    bands: [
      [5, 240],
      [15, 380],
      [null, 560],
    ],
    share: 0.3,
    level: 1.12,
  },
  {
    code: 'gull-and-ladder',
    name: 'Gull & Ladder',
    country: 'Far Strand',
    currency: 'GBP',
    minimum: 300,
    handling: 0,
    arrivesInDays: 11,
    rating: 4,
    basis: 'value',
    bands: [
      [1000, 350],
      [3000, 520],
      [null, 650],
    ],
    share: 0.36,
    level: 0.8,
  },
  {
    code: 'marrow-lane',
    name: 'Marrow Lane Bits',
    country: 'Far Strand',
    currency: 'GBP',
    minimum: 0,
    handling: 20,
    arrivesInDays: 9,
    rating: 2,
    basis: 'count',
    bands: [
      [3, 180],
      [10, 310],
      [null, 480],
    ],
    share: 0.26,
    level: 0.88,
  },
  {
    code: 'third-bridge',
    name: 'Third Bridge Toys',
    country: 'Weir Bank',
    currency: 'EUR',
    minimum: 0,
    handling: 40,
    arrivesInDays: 4,
    rating: 4,
    basis: 'count',
    bands: [
      [8, 260],
      [25, 390],
      [null, 590],
    ],
    share: 0.42,
    level: 1.18,
  },
  {
    code: 'rope-walk',
    name: 'Rope Walk Spares',
    country: 'Far Strand',
    currency: 'GBP',
    minimum: 400,
    handling: 0,
    arrivesInDays: 10,
    rating: 5,
    basis: 'weight',
    bands: [
      [25, 340],
      [80, 510],
      [null, 720],
    ],
    share: 0.36,
    level: 1.1,
  },
  {
    code: 'almanac-shed',
    name: 'Almanac Shed',
    country: 'High Meadow',
    currency: 'CHF',
    minimum: 800,
    handling: 60,
    arrivesInDays: 6,
    rating: 3,
    basis: 'value',
    bands: [
      [2000, 480],
      [6000, 650],
      [null, 300],
    ],
    share: 0.33,
    level: 1.22,
  },
  {
    code: 'wet-dock',
    name: 'Wet Dock Remnants',
    country: 'Lantern Quay',
    currency: 'EUR',
    minimum: 0,
    handling: 0,
    arrivesInDays: 13,
    rating: 2,
    basis: 'count',
    bands: [
      [4, 190],
      [12, 330],
      [null, 470],
    ],
    share: 0.41,
    level: 1.12,
  },
]

/** What goes wrong with the lists of whom, of a hundred times; of Almanac Shed's, three lines of a hundred come garbled. */
export const market = {
  seed: 4310,
  weeks: WEEKS - 1,
  moods: {
    'marrow-lane': { silent: 85 },
    'rope-walk': { busy: 45 },
    'almanac-shed': { garbled: 3 },
    'wet-dock': { slow: 50, cut: 25 },
  },
}

/** Of the last two weeks as they were; before that they sway around what they come to. */
export const rates = [
  ...Array.from({ length: WEEKS }, (_, i) => i).flatMap((week) => {
    const date = dateAfter(DAY, -7 * (WEEKS - 1 - week))
    const sway = Math.sin(week * 1.7) + Math.sin(week * 0.45)
    return [
      ...(week < WEEKS - 2 ? [{ date, from: 'GBP', to: 'EUR', rate: (1.151 + 0.008 * sway).toFixed(4) }] : []),
      { date, from: 'CHF', to: 'EUR', rate: (1.064 - 0.006 * sway).toFixed(4) },
    ]
  }),
  { date: '2026-11-16', from: 'GBP', to: 'EUR', rate: '1.1520' },
  { date: '2026-11-23', from: 'GBP', to: 'EUR', rate: '1.1485' },
].sort((a, b) => (a.date + a.from < b.date + b.from ? -1 : 1))

const BASE = {
  headgear: 150,
  head: 130,
  hand: 18,
  torso: 240,
  'arm-left': 45,
  'arm-right': 45,
  'dressed-torso': 320,
  hips: 40,
  'leg-left': 55,
  'leg-right': 55,
  'leg-pair': 160,
  lower: 180,
  neck: 170,
  waist: 110,
  held: 90,
  beside: 210,
  face: 70,
  wrist: 30,
  feet: 60,
}
/** Dear on purpose, as every harbour has one hat nobody can afford. */
const DEAR = { 'OILH/Bottle': 9, 'CREST/Lagoon': 5, 'CLOUD/Copper': 4, 'oilskin-coat/Marigold': 2.4 }
/** Never offered singly: they only come with a figure, or not at all. */
const NEVER = new Set(['PLAIT/Copper', 'BOB/Heather', 'ACCO/Lagoon'])

/** Worth in euro cents of one unit of a currency, as the made-up sellers reckon it. */
const RECKONED = { EUR: 1, GBP: 1.15, CHF: 1.06 }
const toCurrency = (cents, { currency }) => Math.max(3, Math.round(cents / RECKONED[currency]))

export function offers() {
  const random = seeded(4310)
  const worth = new Map(
    parts.map((p) => [p.code, Math.round(BASE[p.kind] * (0.6 + 0.9 * random()) * (DEAR[p.key] ?? 1))]),
  )
  const newer = seeded(2611)
  const listed = sellers.map((seller, i) => linesOf(seller, worth, i < FOUNDERS ? random : newer, i >= FOUNDERS))
  // What is only drawn or wished for stays so, and what is dear: no newer seller has what no figure and no founder has.
  const made = new Set([
    ...listed.slice(0, FOUNDERS).flatMap((lines) => lines.map(({ code }) => code)),
    ...figures.flatMap(({ placements }) => placements.map(({ part }) => part)),
  ])
  const dear = new Set(parts.filter(({ key }) => key in DEAR).map(({ code }) => code))
  const has = ({ kind, code }) => kind !== 'part' || (made.has(code) && !dear.has(code))
  return [...listed.flatMap((lines, i) => (i < FOUNDERS ? lines : lines.filter(has))), ...smallLines()].map((line) => ({
    date: DAY,
    ...line,
  }))
}

/** Who sells small pieces; by the handful and cheap. */
const SELLS_SMALL = ['tin-whistle', 'old-cooperage', 'gull-and-ladder']

function smallLines() {
  const random = seeded(1207)
  return sellers
    .filter(({ code }) => SELLS_SMALL.includes(code))
    .flatMap((seller) =>
      all.filter(isSmall).flatMap((part) => {
        if (random() > 0.8) return []
        const price = toCurrency((14 + 40 * random()) * seller.level, seller)
        return [
          {
            seller: seller.code,
            kind: 'part',
            code: part.code,
            condition: 'new',
            price,
            currency: seller.currency,
            stock: 2 + Math.floor(random() * 20),
            multiple: 1,
          },
        ]
      }),
    )
}

/** What a seller offers. Now and then a newer one asks a price nobody else would. */
function linesOf(seller, worth, random, isNewer) {
  const lines = []
  const odd = () => (isNewer && random() < 0.012 ? 4.5 : 1)
  for (const p of parts) {
    if (NEVER.has(p.key) || random() > seller.share) continue
    const used = random() < 0.35
    const price = worth.get(p.code) * seller.level * (0.8 + 0.5 * random()) * (used ? 0.7 : 1) * odd()
    const multiple = p.kind === 'hand' && random() < 0.7 ? 2 : 1
    const stock = multiple * (1 + Math.floor(random() * random() * 14))
    lines.push({
      seller: seller.code,
      kind: 'part',
      code: p.code,
      condition: used ? 'used' : 'new',
      price: toCurrency(price, seller),
      currency: seller.currency,
      stock,
      multiple,
    })
  }
  for (const f of figures) {
    if (random() > seller.share * 0.75) continue
    const sum = f.placements.reduce((total, x) => total + worth.get(x.part), 0)
    const used = random() < 0.5
    lines.push({
      seller: seller.code,
      kind: 'figure',
      code: f.code,
      condition: used ? 'used' : 'new',
      price: toCurrency(sum * seller.level * (0.6 + 0.35 * random()) * (used ? 0.85 : 1), seller),
      currency: seller.currency,
      stock: 1 + Math.floor(random() * 4),
      multiple: 1,
    })
  }
  for (const r of releases) {
    if (random() > seller.share) continue
    lines.push({
      seller: seller.code,
      kind: 'release',
      code: r.code,
      condition: 'new',
      price: toCurrency(r.price * (0.9 + 0.5 * random()), seller),
      currency: seller.currency,
      stock: 1 + Math.floor(random() * 3),
      multiple: 1,
    })
  }
  return lines
}

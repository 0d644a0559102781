/**
 * Writes a large made-up catalogue as the tables the import reads, the same for the same seed:
 *   node demo/large.mjs FOLDER [--seed 1] [--parts 60000] [--figures 15000] [--releases 20000]
 * Codes in one table are those of the others; no part is younger than a figure that wears it, nor a figure than a release.
 */
import { createWriteStream, mkdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { seeded } from '@outfit/core/base'

const WORLD = join(dirname(fileURLToPath(import.meta.url)), 'world')
const FIRST_YEAR = 2004
const LAST_YEAR = 2026

const WORDS = {
  place: 'Quay Weir Lock Canal Harbour Lantern Ferry Regatta Market Mooring Sluice Jetty Towpath Barge Bridge'.split(
    ' ',
  ),
  cut: 'Short Long Wavy Tied Braided Swept Curly Cropped Parted Fringed Shaggy Sleek'.split(' '),
  mood: 'Calm Cross Merry Tired Stern Startled Sly Gentle Grim Proud Dreamy Wary'.split(' '),
  garment: 'jacket coat jersey shirt waistcoat overalls tunic apron jumper blouse fleece smock'.split(' '),
  leg: 'trousers breeches boots waders shorts leggings'.split(' '),
  thing: 'oar lantern ladle rope net bell ledger mug basket flag brush mallet'.split(' '),
}
const LAYERS = {
  head: ['brows', 'eyes', 'mouth', 'freckles', 'lashes', 'cheeks', 'wrinkles', 'glasses', 'stubble', 'beard'],
  torso: [
    'jacket',
    'shirt',
    'stripes',
    'buttons',
    'collar',
    'belt',
    'waistcoat',
    'sash',
    'pockets',
    'zip',
    'badge',
    'waves',
  ],
  'leg-left': ['shoe', 'boot', 'stripe', 'pocket', 'knee', 'cuff', 'seam', 'socks'],
}
const COLOURED = new Set(
  'brows jacket shirt stripes buttons collar belt waistcoat sash pockets zip badge waves shoe boot stripe knee cuff socks beard stubble'.split(
    ' ',
  ),
)

/** The whole catalogue as rows by table. Pure: the same options give the same rows. */
export function largeCatalogue({
  seed = 1,
  parts: partCount = 60_000,
  figures: figureCount = 15_000,
  releases: releaseCount = 20_000,
} = {}) {
  const random = seeded(seed)
  const below = (n) => Math.floor(random() * n)
  const pick = (list) => list[below(list.length)]
  const read = (table) => parse(readFileSync(join(WORLD, `${table}.csv`), 'utf8'), { columns: true })
  const colours = read('colours')
  const solid = colours.filter(({ finish, family }) => finish === 'solid' && family !== 'skin').map(({ code }) => code)
  const skins = colours.filter(({ family }) => family === 'skin').map(({ code }) => code)
  const year = () => FIRST_YEAR + below(LAST_YEAR - FIRST_YEAR + 1)

  const moulds = read('moulds')
  const copied = ['headgear', 'held', 'neck', 'waist', 'lower', 'beside']
  for (let i = 0; i < partCount / 40; i++) {
    const like = pick(moulds.filter(({ kind }) => kind === copied[i % copied.length]))
    const word = like.kind === 'headgear' ? WORDS.cut : WORDS.place
    moulds.push({
      ...like,
      code: `M-L${i}`,
      name: `${pick(WORDS.place)} ${pick(word).toLowerCase()} ${like.name.toLowerCase()}`,
    })
  }
  const mouldsOf = group(moulds, ({ kind }) => kind)

  const prints = []
  const print = (kind, name, traits = '') => {
    const layers = () =>
      [...new Set([pick(LAYERS[kind]), pick(LAYERS[kind]), pick(LAYERS[kind])])].map((layer) => ({
        kind: layer,
        ...(COLOURED.has(layer) ? { colour: pick(solid) } : {}),
      }))
    const face = kind === 'head' ? [{ kind: 'brows', colour: pick(solid) }, { kind: 'eyes' }, { kind: 'mouth' }] : []
    const entry = {
      code: `D-L${prints.length}`,
      name,
      kind,
      front: JSON.stringify([...face, ...layers()]),
      back: JSON.stringify(kind === 'leg-left' ? [] : [...face, ...layers()]),
      traits,
    }
    prints.push(entry)
    return entry
  }

  const parts = []
  const components = []
  const byKind = {}
  const part = (name, mould, own, printed, made) => {
    const entry = {
      code: `L-${String(parts.length + 1).padStart(6, '0')}`,
      name,
      mould,
      colours: own.join(';'),
      print: printed?.code ?? '',
      year: made,
    }
    parts.push(entry)
    return entry
  }
  /** Plain pieces are made once in a colour, as makers do, and used wherever they fit. */
  const plain = new Map()
  const plainPart = (name, mould, colour) => {
    const key = `${mould} ${colour}`
    if (!plain.has(key)) plain.set(key, part(name, mould, [colour], null, FIRST_YEAR))
    return plain.get(key)
  }
  const keep = (kind, entry) => (byKind[kind] ??= []).push(entry)
  const single = (kind) => {
    const mould = pick(mouldsOf.get(kind))
    keep(kind, part(mould.name, mould.code, [pick(solid), pick(solid)], null, year()))
  }
  for (const skin of skins) keep('hand', { ...part('Mitt', 'M-HAND', [skin], null, FIRST_YEAR), skin })
  while (parts.length < partCount) {
    const turn = below(100)
    const made = year()
    if (turn < 18 || partCount - parts.length < 6) single(pick(copied))
    else if (turn < 40) {
      const [skin, face] = [
        pick(skins),
        print('head', `${pick(WORDS.mood)} / ${pick(WORDS.mood).toLowerCase()}`, `brows=${pick(solid)};age=adult`),
      ]
      keep('head', { ...part(face.name, 'M-HEAD', [skin], face, made), skin })
    } else if (turn < 72) {
      const [cloth, sleeve] = [pick(solid), pick(solid)]
      const garment = print('torso', `${pick(WORDS.place)} ${pick(WORDS.garment)}`, `garment=${pick(WORDS.garment)}`)
      const torso = part(garment.name, 'M-TORSO', [cloth], garment, made)
      const right = plainPart('Plain sleeve', 'M-ARMR', sleeve)
      const left = plainPart('Plain sleeve', 'M-ARML', sleeve)
      const hand = pick(byKind.hand)
      const dressed = part(garment.name, 'M-DRESS', [cloth, sleeve, hand.skin], garment, made)
      for (const [slot, one] of [
        ['torso', torso],
        ['armRight', right],
        ['armLeft', left],
        ['handRight', hand],
        ['handLeft', hand],
      ])
        components.push({ assembly: dressed.code, slot, part: one.code })
      keep('dressed-torso', {
        ...dressed,
        inside: [
          ['torso', torso],
          ['armRight', right],
          ['armLeft', left],
        ],
      })
    } else {
      const cloth = pick(solid)
      const leg = print('leg-left', `${pick(WORDS.place)} ${pick(WORDS.leg)}`)
      const hips = plainPart('Hips', 'M-HIPS', cloth)
      const right = part(`${leg.name}, right leg`, 'M-LEGRF', [cloth], leg, made)
      const left = part(`${leg.name}, left leg`, 'M-LEGLF', [cloth], leg, made)
      const pair = part(leg.name, 'M-PAIRF', [cloth], leg, made)
      const inside = [
        ['hips', hips],
        ['legRight', right],
        ['legLeft', left],
      ]
      for (const [slot, one] of inside) components.push({ assembly: pair.code, slot, part: one.code })
      keep('leg-pair', { ...pair, inside })
    }
  }

  const figures = []
  const figureParts = []
  for (let i = 0; i < figureCount; i++) {
    const code = `G-${String(i + 1).padStart(5, '0')}`
    const head = pick(byKind.head)
    const hand = byKind.hand.find(({ skin }) => skin === head.skin)
    const [hair, torso, legs] = [pick(byKind.headgear), pick(byKind['dressed-torso']), pick(byKind['leg-pair'])]
    const worn = [
      ['headgear', hair],
      ['head', head],
      ...torso.inside,
      ['handRight', hand],
      ['handLeft', hand],
      ...legs.inside,
    ]
    if (random() < 0.6) worn.push(['heldRight', pick(byKind.held)])
    if (random() < 0.25) worn.push(['neck', pick(byKind.neck)])
    figures.push({
      code,
      name: `${pick(WORDS.mood)} ${pick(WORDS.place).toLowerCase()} ${pick(WORDS.thing)} keeper`,
      year: Math.max(...worn.map(([, one]) => one.year)),
    })
    for (const [slot, one] of worn) figureParts.push({ figure: code, slot, part: one.code, order: 0 })
  }

  const releases = []
  const contents = []
  for (let i = 0; i < releaseCount; i++) {
    const code = `R-${String(i + 1).padStart(5, '0')}`
    // Every figure is in one release at least, as long as there are enough of them.
    const own = new Set(i < figureCount ? [figures[i]] : [])
    for (let more = below(4); more > 0; more--) own.add(pick(figures))
    const loose = new Set(Array.from({ length: below(3) }, () => pick(byKind.held)))
    const made = Math.max(FIRST_YEAR, ...[...own, ...loose].map((one) => one.year))
    releases.push({
      code,
      name: `${pick(WORDS.place)} ${pick(WORDS.place)} ${i + 1}`,
      kind: pick(['box', 'box', 'box', 'book', 'magazine', 'kiosk gift']),
      year: made,
      price: 499 + below(6000),
      currency: 'EUR',
      inProduction: made >= LAST_YEAR - 2 ? 'yes' : 'no',
    })
    for (const figure of own) contents.push({ release: code, kind: 'figure', code: figure.code, qty: 1 + below(2) })
    for (const one of loose) contents.push({ release: code, kind: 'part', code: one.code, qty: 1 })
  }
  return {
    colours,
    moulds,
    prints,
    parts,
    components,
    figures,
    'figure-parts': figureParts,
    releases,
    'release-contents': contents,
  }
}

const group = (list, key) => {
  const groups = new Map()
  for (const entry of list)
    groups
      .set(key(entry), groups.get(key(entry)) ?? [])
      .get(key(entry))
      .push(entry)
  return groups
}

/** Write the tables into a folder, one CSV file each. */
export function writeLarge(folder, options) {
  mkdirSync(folder, { recursive: true })
  const tables = largeCatalogue(options)
  return Promise.all(
    Object.entries(tables).map(
      ([table, rows]) =>
        new Promise((resolve, reject) => {
          const out = createWriteStream(join(folder, `${table}.csv`))
          out.on('finish', resolve).on('error', reject)
          for (let from = 0; from < rows.length; from += 5000)
            out.write(stringify(rows.slice(from, from + 5000), { header: from === 0 }))
          out.end()
        }),
    ),
  ).then(() => tables)
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const number = { type: 'string' }
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { seed: number, parts: number, figures: number, releases: number },
  })
  if (positionals.length !== 1) {
    console.error('Say where to: node demo/large.mjs FOLDER [--seed N] [--parts N] [--figures N] [--releases N]')
    process.exit(2)
  }
  const tables = await writeLarge(
    positionals[0],
    Object.fromEntries(Object.entries(values).map(([key, value]) => [key, Number(value)])),
  )
  for (const [table, rows] of Object.entries(tables)) console.log(`${table}: ${rows.length}`)
}

// Writes demo/world from the tables in this folder. `--check` compares instead and exits 1 when a file has drifted.
import { mkdirSync, readFileSync, writeFileSync, existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { stringify } from 'csv-stringify/sync'
import { colours } from './palette.mjs'
import { made } from './made.mjs'
import { moulds } from './moulds.mjs'
import { prints } from './prints.mjs'
import { parts } from './parts.mjs'
import { figures, releases } from './releases.mjs'
import { market, offers, rates, sellers } from './market.mjs'
import { pictures } from './references.mjs'
import { bins, later, owned, rosters } from './rosters.mjs'

/** A part is no younger than the first figure or release that carries it, nor an assembly than its youngest component. */
function firstYears() {
  const first = new Map(parts.map((p) => [p.code, p.year]))
  const lower = (code, year) => first.set(code, Math.min(year, first.get(code)))
  for (const figure of figures) for (const { part } of figure.placements) lower(part, figure.year)
  for (const release of releases)
    for (const { kind, code } of release.contents) if (kind === 'part') lower(code, release.year)
  for (const { code, components } of parts.filter((p) => p.components.length > 0))
    lower(code, Math.max(...components.map(([, component]) => first.get(component.code))))
  return first
}

const out = join(dirname(fileURLToPath(import.meta.url)), '../world')
const files = {}
const csv = (name, columns, rows) => {
  files[`${name}.csv`] = stringify([columns, ...rows])
}
csv(
  'colours',
  ['code', 'name', 'hex', 'family', 'finish'],
  colours.map((c) => [c.code, c.name, c.hex, c.family, c.finish]),
)
csv(
  'moulds',
  ['code', 'name', 'kind', 'silhouette', 'neckThickness', 'height', 'mass', 'connections', 'covers', 'traits'],
  moulds.map((m) => [
    m.code,
    m.name,
    m.kind,
    m.silhouette,
    m.neckThickness,
    m.height,
    m.mass,
    m.connections,
    m.covers,
    m.traits,
  ]),
)
csv(
  'prints',
  ['code', 'name', 'kind', 'front', 'back', 'traits'],
  prints.map((p) => [p.code, p.name, p.kind, JSON.stringify(p.front), JSON.stringify(p.back), p.traits]),
)
const firstYear = firstYears()
csv(
  'parts',
  ['code', 'name', 'mould', 'colours', 'print', 'year'],
  parts.map((p) => [p.code, p.name, p.mould, p.colours.join(';'), p.print ?? '', firstYear.get(p.code)]),
)
csv(
  'components',
  ['assembly', 'slot', 'part'],
  parts.flatMap((p) => p.components.map(([slot, c]) => [p.code, slot, c.code])),
)
csv(
  'figures',
  ['code', 'name', 'year'],
  figures.map((f) => [f.code, f.name, f.year]),
)
csv(
  'figure-parts',
  ['figure', 'slot', 'part', 'order'],
  figures.flatMap((f) => f.placements.map((p) => [f.code, p.slot, p.part, p.order])),
)
csv(
  'releases',
  ['code', 'name', 'kind', 'year', 'price', 'currency', 'inProduction'],
  releases.map((r) => [r.code, r.name, r.kind, r.year, r.price, r.currency, r.inProduction ? 'yes' : 'no']),
)
csv(
  'release-contents',
  ['release', 'kind', 'code', 'qty'],
  releases.flatMap((r) => r.contents.map((c) => [r.code, c.kind, c.code, c.qty])),
)
csv(
  'case-contents',
  ['release', 'figure', 'qty'],
  releases.flatMap((r) => r.cases.map((c) => [r.code, c.code, c.qty])),
)
csv(
  'bins',
  ['code', 'name', 'figure', 'parent', 'x', 'y', 'w', 'h'],
  bins.map((b) => [b.code, b.name, b.figure, b.parent, b.x, b.y, b.w, b.h]),
)
csv(
  'owned',
  ['part', 'bin', 'qty', 'condition', 'date', 'reason'],
  owned.map((o) => [o.part, o.bin, o.qty, o.condition ?? 'used', o.date, o.reason]),
)
csv(
  'sellers',
  [
    'code',
    'name',
    'country',
    'currency',
    'minimum',
    'handling',
    'arrivesInDays',
    'rating',
    'shippingBasis',
    'shippingBands',
  ],
  sellers.map((s) => [
    s.code,
    s.name,
    s.country,
    s.currency,
    s.minimum,
    s.handling,
    s.arrivesInDays,
    s.rating,
    s.basis,
    s.bands.map(([upTo, price]) => `${upTo ?? 'any'}=${price}`).join(';'),
  ]),
)
csv(
  'rates',
  ['date', 'from', 'to', 'rate'],
  rates.map((r) => [r.date, r.from, r.to, r.rate]),
)
const lines = offers()
csv(
  'offers',
  ['date', 'seller', 'kind', 'code', 'condition', 'price', 'currency', 'stock', 'multiple'],
  lines.map((o) => [o.date, o.seller, o.kind, o.code, o.condition, o.price, o.currency, o.stock, o.multiple]),
)
files['market.json'] = JSON.stringify(market, null, 1) + '\n'
files['rosters.json'] = JSON.stringify({ format: 'outfit.rosters', version: 1, made, rosters, later }, null, 1) + '\n'

// What ships with every workspace: the palette, and the moulds there are drawings of.
const list = (text) => (text ? String(text).split(';') : [])
const starter = (name, type, entries) => {
  files[`../../core/src/starter/${name}.ts`] =
    `import type { ${type} } from '../catalogue/index.ts'\n\n// Written by demo/author/write.mjs.\n// oxfmt-ignore\nexport const STARTER_${name.toUpperCase()}: readonly ${type}[] = [\n${entries.map((entry) => `  ${JSON.stringify(entry)},`).join('\n')}\n]\n`
}
starter(
  'colours',
  'Colour',
  colours.map(({ code, name, hex, finish, family }) => ({ code, name, hex, finish, family })),
)
starter(
  'moulds',
  'Mould',
  moulds.map((m) => ({
    code: m.code,
    name: m.name,
    kind: m.kind,
    silhouette: m.silhouette,
    neckThickness: Number(m.neckThickness),
    height: Number(m.height),
    mass: Number(m.mass),
    connections: list(m.connections),
    covers: list(m.covers),
    traits: Object.fromEntries(list(m.traits).map((trait) => trait.split('='))),
  })),
)

for (const [name, svg] of Object.entries(pictures)) files[`references/${name}`] = svg

mkdirSync(join(out, 'references'), { recursive: true })
const check = process.argv.includes('--check')
let drifted = 0
for (const [name, text] of Object.entries(files)) {
  const path = join(out, name)
  if (check) {
    if (!existsSync(path) || readFileSync(path, 'utf8') !== text) {
      drifted += 1
      console.error(`${join('demo/world', name)} differs from its source in demo/author; run npm run demo:author`)
    }
  } else writeFileSync(path, text)
}
if (!check)
  console.log(
    `demo/world: ${colours.length} colours, ${moulds.length} moulds, ${prints.length} prints, ${parts.length} parts, ${figures.length} figures, ${releases.length} releases, ${sellers.length} sellers, ${lines.length} offers`,
  )
process.exit(drifted ? 1 : 0)

/** `npm run rooms`: draw docs/rooms.svg, the rooms of core, server and web with who knows whom, from the imports there are. */
import { cruise } from 'dependency-cruiser'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './tree.mjs'

const BOX = { width: 108, height: 30, gap: 16, row: 66 }
const MARGIN = 24

/** Rooms of a package, each with those it imports from. */
async function roomsOf(name) {
  const { output } = await cruise([`${name}/src`], {
    baseDir: ROOT,
    doNotFollow: { path: ['node_modules', 'dist'] },
    exclude: { path: ['node_modules', '/dist/', '[.]test[.]tsx?$', '/src/(test|trial)/'] },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx'] },
  })
  const roomOf = (path) => /^[^/]+\/src\/([^/]+)\//.exec(path)?.[1]
  const rooms = new Map()
  for (const { source, dependencies } of output.modules) {
    const from = roomOf(source)
    if (!from) continue
    if (!rooms.has(from)) rooms.set(from, new Set())
    for (const { resolved } of dependencies) {
      const to = roomOf(resolved)
      if (to && to !== from) rooms.get(from).add(to)
    }
  }
  return rooms
}

/** How far above the ground a room stands: one more than the highest room it knows. */
function levelsOf(rooms) {
  const levels = new Map()
  const level = (room) => {
    if (!levels.has(room)) levels.set(room, 1 + Math.max(-1, ...[...rooms.get(room)].map(level)))
    return levels.get(room)
  }
  for (const room of [...rooms.keys()].sort()) level(room)
  return levels
}

/** Only the arrows that no way over other rooms says already. */
function needed(rooms) {
  const reach = (room, seen = new Set()) => {
    for (const next of rooms.get(room)) if (!seen.has(next)) reach(next, seen.add(next))
    return seen
  }
  return [...rooms].flatMap(([from, to]) =>
    [...to]
      .filter((room) => ![...to].some((other) => other !== room && reach(other).has(room)))
      .map((room) => [from, room]),
  )
}

function draw(name, rooms, top) {
  const levels = levelsOf(rooms)
  const rows = []
  for (const room of [...rooms.keys()].sort()) (rows[levels.get(room)] ??= []).push(room)
  const width = Math.max(...rows.map((row) => row.length)) * (BOX.width + BOX.gap)
  const at = new Map()
  rows.forEach((row, level) => {
    const left = (width - row.length * (BOX.width + BOX.gap)) / 2
    row.forEach((room, i) =>
      at.set(room, {
        x: MARGIN + left + i * (BOX.width + BOX.gap),
        y: top + 34 + (rows.length - 1 - level) * BOX.row,
      }),
    )
  })
  const arrows = needed(rooms).map(([from, to]) => {
    const [a, b] = [at.get(from), at.get(to)]
    const [x1, y1, x2, y2] = [a.x + BOX.width / 2, a.y + BOX.height, b.x + BOX.width / 2, b.y - 3]
    const half = (y1 + y2) / 2
    return `<path d="M${x1} ${y1}C${x1} ${half} ${x2} ${half} ${x2} ${y2}" marker-end="url(#tip)"/>`
  })
  const boxes = [...at].map(
    ([room, { x, y }]) =>
      `<rect x="${x}" y="${y}" width="${BOX.width}" height="${BOX.height}" rx="6"/><text x="${x + BOX.width / 2}" y="${y + 20}">${room}</text>`,
  )
  return {
    width: width + 2 * MARGIN,
    bottom: top + 34 + rows.length * BOX.row,
    svg: `<text class="name" x="${MARGIN}" y="${top + 18}">${name}</text><g class="arrows">${arrows.join('')}</g><g class="rooms">${boxes.join('')}</g>`,
  }
}

const drawn = []
let top = 10
for (const name of ['core', 'server', 'web']) {
  drawn.push(draw(name, await roomsOf(name), top))
  top = drawn.at(-1).bottom
}
const width = Math.max(...drawn.map((one) => one.width))
writeFileSync(
  join(ROOT, 'docs/rooms.svg'),
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${top}" viewBox="0 0 ${width} ${top}" font-family="sans-serif" font-size="13">
<style>rect{fill:#f6f1e7;stroke:#6b5d48}text{text-anchor:middle;fill:#2b2620}.name{text-anchor:start;font-size:17px;font-weight:700}.arrows path{fill:none;stroke:#8b7b63}</style>
<defs><marker id="tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path d="M0 0L8 4L0 8Z" fill="#8b7b63"/></marker></defs>
<rect width="${width}" height="${top}" style="fill:#fffdf8;stroke:none"/>
${drawn.map(({ svg }) => svg).join('\n')}
</svg>
`,
)

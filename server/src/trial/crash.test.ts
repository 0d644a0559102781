import { afterAll, beforeAll, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { RosterShelf } from '@outfit/core/shelf'
import { seeded } from '@outfit/core/base'
import { LONG } from '../test/runs.ts'
import { startServer } from '../test/testServer.ts'

/** How often the program is killed in all, and on one data folder before a fresh one is taken. */
const KILLS = LONG ? 200 : 16
const ON_ONE_FOLDER = LONG ? 25 : 8
/** Programs killed side by side. */
const LANES = 2
/** Rows of one import: more than go into one statement. */
const ROWS = 700
const PART = 'P-00001'
const RESTLESS = fileURLToPath(new URL('../../dist/bundle/restless.js', import.meta.url))

const folders: string[] = []
const folder = () => {
  const path = mkdtempSync(join(tmpdir(), 'outfit-crash-'))
  folders.push(path)
  return path
}
let world: string
let outfit: { id: string; worn: number }
/** Acts of the sample world itself. */
let old: Set<string>

beforeAll(async () => {
  const server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const found = rosters.find(({ name }) => name === 'Brass band')!.outfits[0]!
  outfit = { id: found.id, worn: found.placements.length }
  world = folder()
  cpSync(server.data, world, { recursive: true })
  await server.stop()
  const db = new Database(join(world, 'outfit.sqlite'))
  old = new Set((db.prepare('SELECT id FROM act').all() as { id: string }[]).map(({ id }) => id))
  db.close()
})
afterAll(() => folders.forEach((path) => rmSync(path, { recursive: true, force: true })))

/**
 * Let the program work on a folder and kill it so many milliseconds after so many acts were acknowledged, however fast it
 * is; the acts it said were written, with their kinds.
 */
function killed(data: string, { acts, after }: Moment): Promise<{ kind: string; id: string }[]> {
  const child = spawn(process.execPath, [RESTLESS, data, outfit.id, PART, String(ROWS)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  let said = ''
  let ended = false
  return new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => {
      const told = () => said.split('\n').length - 1
      // The first line says that it is ready.
      const reached = () => told() > acts
      const before = reached()
      said += chunk
      if (!before && reached()) setTimeout(() => ((ended = true), child.kill('SIGKILL')), after)
    })
    child.on('exit', (code) => {
      if (!ended) reject(new Error(`ended by itself with ${code}`))
      // A line that was cut by the kill was not told.
      resolve(
        said
          .split('\n')
          .slice(0, -1)
          .flatMap((line) => {
            const [word, kind, id] = line.split(' ')
            return word === 'done' ? [{ kind: kind!, id: id! }] : []
          }),
      )
    })
  })
}

/** When to kill: so long after so many acts. */
interface Moment {
  acts: number
  after: number
}

interface Act {
  id: string
  kind: string
  reverses: string | null
  units: number
}

/** What is not whole in a data folder, in words; nothing when all is well. */
function faultsIn(data: string, acknowledged: readonly string[]): string[] {
  const db = new Database(join(data, 'outfit.sqlite'))
  try {
    const acts = db
      .prepare(
        'SELECT a.id, a.kind, a.reverses, COALESCE(SUM(m.qty), 0) AS units FROM act a LEFT JOIN movement m ON m.act = a.id GROUP BY a.id',
      )
      .all() as Act[]
    const known = new Map(acts.map((act) => [act.id, act]))
    const drift = db
      .prepare(
        `SELECT part, bin, condition, SUM(qty) AS off FROM (
           SELECT part, to_bin AS bin, condition, qty FROM movement WHERE to_bin IS NOT NULL
           UNION ALL SELECT part, from_bin, condition, -qty FROM movement WHERE from_bin IS NOT NULL
           UNION ALL SELECT part, bin, condition, -qty FROM lying
         ) GROUP BY part, bin, condition HAVING SUM(qty) <> 0`,
      )
      .all() as { part: string; bin: string; off: number }[]
    const loose = db.prepare('SELECT COUNT(*) AS n FROM movement WHERE act IS NULL').get() as { n: number }
    const standing = (
      db
        .prepare('SELECT COALESCE(SUM(qty), 0) AS n FROM lying JOIN bin ON bin.code = lying.bin WHERE bin.outfit = ?')
        .get(outfit.id) as { n: number }
    ).n
    const whole = ({ kind, reverses, units }: Act): boolean => {
      if (reverses !== null) return units === known.get(reverses)?.units
      if (kind === 'built' || kind === 'taken-apart') return units === outfit.worn
      return kind === 'imported' && units === ROWS
    }
    return [
      ...(db.pragma('integrity_check', { simple: true }) === 'ok' ? [] : ['the file is damaged']),
      ...drift.map(({ part, bin, off }) => `${bin} is off by ${off} of ${part}`),
      ...(loose.n > 0 ? [`${loose.n} movements belong to no act`] : []),
      ...(standing === 0 || standing === outfit.worn ? [] : [`${standing} of ${outfit.worn} parts stand`]),
      ...acts
        .filter((act) => !old.has(act.id) && !whole(act))
        .map(({ id, kind, units }) => `${kind} ${id} has ${units} units`),
      ...acknowledged.filter((id) => !known.has(id)).map((id) => `${id} was acknowledged and is gone`),
    ]
  } finally {
    db.close()
  }
}

test(`killed ${KILLS} times while finishing, importing and taking back: all of it or nothing`, async () => {
  const random = seeded(20261125)
  const rounds = Array.from({ length: KILLS / ON_ONE_FOLDER }, () =>
    Array.from({ length: ON_ONE_FOLDER }, (): Moment => ({
      acts: Math.floor(random() * 9),
      after: Math.round(random() * 120),
    })),
  )
  let done = 0
  const told = new Map<string, number>()
  const lane = async () => {
    for (let round = rounds.shift(); round; round = rounds.shift()) {
      const data = folder()
      cpSync(world, data, { recursive: true })
      for (const moment of round) {
        const acknowledged = await killed(data, moment)
        for (const { kind } of acknowledged) told.set(kind, (told.get(kind) ?? 0) + 1)
        const ids = acknowledged.map(({ id }) => id)
        expect({ moment, faults: faultsIn(data, ids) }).toEqual({ moment, faults: [] })
        done += 1
      }
      rmSync(data, { recursive: true, force: true })
    }
  }
  await Promise.all(Array.from({ length: LANES }, lane))
  expect(done).toBe(KILLS)
  // A program that fails before it is killed proves nothing: every kind of act must have been under way.
  for (const kind of ['imported', 'built', 'taken-back']) expect([kind, told.get(kind) ?? 0]).not.toEqual([kind, 0])
}, 7_200_000)

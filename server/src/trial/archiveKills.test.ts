import { afterAll, beforeAll, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { spawn } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { seeded } from '@outfit/core/base'
import { archivedTables, quoted } from '../archive/manifest.ts'
import { unpackArchive } from '../archive/readArchive.ts'
import { LONG } from '../test/runs.ts'
import { loadedSmallWorld, loadedWorld } from '../test/testServer.ts'

const CLI = fileURLToPath(new URL('../../dist/bundle/archiveCli.js', import.meta.url))
const space = mkdtempSync(join(tmpdir(), 'outfit-archive-kills-'))
const archive = join(space, 'world.zip')
const random = seeded(11)
const KILLS = LONG ? 40 : 2
/** Milliseconds; each kill takes some seconds. */
const TIMEOUT = 30_000 * (KILLS + 10)

/**
 * Run the command line, killing it after so many milliseconds, counted from its start or from when it says `since`; its exit
 * code, null for a killed one.
 */
const run = (args: readonly string[], killedAfter: number | null, since?: string): Promise<number | null> =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, [CLI, ...args], { stdio: ['ignore', 'ignore', 'pipe'] })
    let timer: NodeJS.Timeout | null = null
    const count = () => {
      if (killedAfter !== null) timer ??= setTimeout(() => child.kill('SIGKILL'), killedAfter)
    }
    let said = ''
    child.stderr.on('data', (chunk) => {
      said += chunk
      if (since !== undefined && said.includes(since)) count()
    })
    if (since === undefined) count()
    child.once('exit', (code) => {
      if (timer) clearTimeout(timer)
      resolve(code)
    })
  })

/** Names of the rosters of a folder, and how many rows everything has. */
function told(data: string): { rosters: string[]; rows: number } {
  const db = new Database(join(data, 'outfit.sqlite'))
  try {
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(db.pragma('foreign_key_check')).toEqual([])
    const rows = archivedTables(db).map(
      ({ name }) =>
        db
          .prepare(`SELECT COUNT(*) FROM ${quoted(name)}`)
          .pluck()
          .get() as number,
    )
    return {
      rosters: db.prepare('SELECT name FROM roster ORDER BY name').pluck().all() as string[],
      rows: rows.reduce((sum, count) => sum + count, 0),
    }
  } finally {
    db.close()
  }
}

/** How long a whole run takes here, in milliseconds. */
async function timeOf(args: readonly string[]): Promise<number> {
  const start = performance.now()
  expect(await run(args, null)).toBe(0)
  return performance.now() - start
}

let world: string
beforeAll(async () => {
  world = join(space, 'world')
  // The whole world takes its time, in which more kills come in the middle of something.
  cpSync(await (LONG ? loadedWorld() : loadedSmallWorld()), world, { recursive: true })
})
afterAll(() => rmSync(space, { recursive: true, force: true }))

test(
  'an archive cut short leaves none under its name, and a whole one holds everything',
  async () => {
    const whole = await timeOf(['archive', archive, '--data', world])
    for (let i = 0; i < KILLS; i++) {
      const target = join(space, `cut-${i}.zip`)
      // The later half, when something is being written.
      const code = await run(['archive', target, '--data', world], whole * (0.4 + 0.6 * random()))
      if (code === 0) expect(existsSync(target)).toBe(true)
      if (existsSync(target)) await unpackArchive(target, join(space, 'apart'), join(space, 'files'))
    }
  },
  TIMEOUT,
)

test(
  'a restore cut short leaves what was there, or all of the archive; the next one is complete',
  async () => {
    const mine = join(space, 'mine')
    cpSync(world, mine, { recursive: true })
    const db = new Database(join(mine, 'outfit.sqlite'))
    db.exec(`UPDATE roster SET name = 'Mine ' || name`)
    db.close()
    const [before, after] = [told(mine), told(world)]
    const first = join(space, 'first')
    cpSync(mine, first, { recursive: true })
    const whole = await timeOf(['restore', archive, '--data', first])
    expect(told(first)).toEqual(after)
    const outcomes = { before: 0, after: 0 }
    for (let i = 0; i < KILLS; i++) {
      const data = join(space, `killed-${i}`)
      cpSync(mine, data, { recursive: true })
      // Every other time from when rows begin to be replaced, whatever came before took.
      if (i % 2 === 0) await run(['restore', archive, '--data', data], whole * (0.4 + 0.6 * random()))
      else await run(['restore', archive, '--data', data], (LONG ? 2000 : 300) * random(), 'Putting it in place')
      const now = told(data)
      expect([before, after]).toContainEqual(now)
      outcomes[now.rosters.join() === after.rosters.join() ? 'after' : 'before']++
      // A copy that was begun before it has its name only when it is whole.
      for (const name of existsSync(join(data, 'copies')) ? readdirSync(join(data, 'copies')) : [])
        if (name.endsWith('.zip'))
          await unpackArchive(join(data, 'copies', name), join(space, 'apart'), join(space, 'files'))
      if (i === 0) {
        expect(await run(['restore', archive, '--data', data], null)).toBe(0)
        expect(told(data)).toEqual(after)
        expect(readdirSync(join(data, 'copies')).filter((name) => name.endsWith('.part'))).toEqual([])
      }
      rmSync(data, { recursive: true, force: true })
    }
    // Of many kills some come before the one moment that counts, and some after it.
    if (LONG) expect(Math.min(outcomes.before, outcomes.after)).toBeGreaterThan(0)
  },
  TIMEOUT,
)

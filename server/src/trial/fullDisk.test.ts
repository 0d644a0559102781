import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '@outfit/core/base'
import { askJson, endsBuilt, startBuilt, type Built } from '../test/builtServer.ts'
import { LONG } from '../test/runs.ts'
import { WORLD } from '../test/testServer.ts'

/**
 * The built program on a disk of 14 MB that is filled up and freed. Mounting one takes rights; where there are none, the
 * same failures are put under the writer in its own test.
 */
const disk = mkdtempSync(join(tmpdir(), 'outfit-disk-'))
const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=14m', 'tmpfs', disk]).status === 0
const filler = join(disk, 'filler')
let server: Built | null = null
beforeAll(async () => {
  if (mounted) server = await startBuilt(join(disk, 'data'))
})
afterAll(async () => {
  await server?.end()
  if (mounted) spawnSync('umount', [disk])
  rmSync(disk, { recursive: true, force: true })
})

const ROSTER = { note: '', school: 'exchange-only', budget: null, dueOn: null }

/** Fill the disk to the last byte. */
function fill(): void {
  for (const size of [1 << 20, 1 << 16, 1 << 12, 1 << 8])
    for (;;)
      try {
        appendFileSync(filler, Buffer.alloc(size))
      } catch {
        break
      }
}

;(mounted ? test : test.skip)(
  'what was acknowledged before, on and after a full disk is there after a kill',
  async () => {
    const random = seeded(14)
    const acknowledged: string[] = []
    const refused: number[] = []
    let n = 0
    const save = async (note = '') => {
      const name = `Roster ${n++}`
      const answer = await askJson<{ detail: string }>(`${server!.url}/api/rosters`, 'POST', { ...ROSTER, name, note })
      if (answer.status === 201) acknowledged.push(name)
      else {
        refused.push(answer.status)
        expect(answer.body.detail).toMatch(/^The disk is full\. This was not written/)
      }
      return answer.status
    }
    for (let round = 0; round < (LONG ? 12 : 3); round++) {
      for (let i = 0; i < 3; i++) expect(await save()).toBe(201)
      fill()
      // The log may have room for a little more.
      for (let i = 0; i < 40; i++) if ((await save('x'.repeat(1 + Math.floor(random() * 1900)))) === 507 && i > 3) break
      rmSync(filler)
      for (let i = 0; i < 10; i++) expect(await save()).toBe(201)
      if (random() < 0.5) continue
      await server!.end()
      server = await startBuilt(join(disk, 'data'))
    }
    expect(refused.length).toBeGreaterThan(1)
    expect(new Set(refused)).toEqual(new Set([507]))
    await server!.end()
    // On a full disk it does not start, and says why.
    fill()
    const { code, said } = await endsBuilt('--port', '0', '--data', join(disk, 'other'), '--world', WORLD)
    expect([code, said.trim()]).toEqual([2, expect.stringMatching(/^The disk of \S+ is full\. Nothing was changed/)])
    rmSync(filler)
    server = await startBuilt(join(disk, 'data'))
    const { rosters } = (await askJson<{ rosters: { name: string }[] }>(`${server.url}/api/rosters`)).body
    expect(rosters.map(({ name }) => name).sort()).toEqual([...acknowledged].sort())
  },
)

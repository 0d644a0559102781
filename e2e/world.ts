import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/** Start the built server as `npm run demo` does; `port` 0 takes a free one, `world` false starts with nothing. */
export function startBuilt(
  data: string,
  { port = 0, world = true } = {},
): Promise<{ url: string; child: ChildProcess }> {
  const child = spawn(
    process.execPath,
    [
      join(ROOT, 'server/dist/bundle/main.js'),
      '--port',
      String(port),
      '--data',
      data,
      '--web',
      join(ROOT, 'web/dist'),
      ...(world ? ['--world', join(ROOT, 'demo/world')] : []),
    ],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  return new Promise((resolve, reject) => {
    let said = ''
    child.stdout!.on('data', (chunk) => {
      said += chunk
      const [, url] = /ready at (\S+)/.exec(said) ?? []
      if (url) resolve({ url, child })
    })
    child.once('exit', (code) => reject(new Error(`The server ended with ${code} before it was ready.`)))
  })
}

export function stop(child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve()
    child.once('exit', () => resolve())
    child.kill(signal)
  })
}

/** Where rosters and outfits of the world stand, by their names; of two outfits of one name the first. */
async function addresses(url: string): Promise<Record<string, string>> {
  const { rosters } = (await (await fetch(`${url}/api/rosters`)).json()) as {
    rosters: { id: string; name: string; outfits: { id: string; name: string }[] }[]
  }
  const of: Record<string, string> = {}
  for (const roster of rosters) {
    of[roster.name] ??= `/rosters/${roster.id}`
    for (const { id, name } of roster.outfits) of[name] ??= `/outfits/${id}`
  }
  return of
}

/** Load the demo world once; every test works on a copy of that folder. */
export default async function prepare(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-world-'))
  process.env['OUTFIT_WORLD'] = folder
  // In a run of all tests it is loaded already.
  const ready = process.env['OUTFIT_LOADED_WORLD']
  if (ready) cpSync(ready, folder, { recursive: true })
  const { child, url } = await startBuilt(folder)
  process.env['OUTFIT_ADDRESSES'] = JSON.stringify(await addresses(url))
  await stop(child)
  return () => rmSync(folder, { recursive: true, force: true })
}

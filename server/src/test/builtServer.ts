import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The built program, which tests run as a user would; the test script builds it before Jest starts. */
export const DIST = fileURLToPath(new URL('../../dist/bundle/', import.meta.url))

export interface Built {
  url: string
  child: ChildProcess
  /** End it, at once unless told otherwise; resolves when it is gone. */
  end(signal?: NodeJS.Signals): Promise<void>
}

export interface Ended {
  code: number | null
  /** What it said on standard error. */
  said: string
}

function run(args: readonly string[]): { child: ChildProcess; said: () => string; gone: Promise<Ended> } {
  const child = spawn(process.execPath, [join(DIST, 'main.js'), ...args], { stdio: ['ignore', 'pipe', 'pipe'] })
  let errors = ''
  child.stderr!.on('data', (chunk) => (errors += chunk))
  const gone = new Promise<Ended>((resolve) => child.once('exit', (code) => resolve({ code, said: errors })))
  return { child, said: () => errors, gone }
}

/** Start the program; resolves when it is ready, rejects when it ends before. */
export function startBuilt(data: string, ...args: readonly string[]): Promise<Built> {
  const { child, gone } = run(['--port', '0', '--data', data, ...args])
  return new Promise((resolve, reject) => {
    let out = ''
    child.stdout!.on('data', (chunk) => {
      out += chunk
      const [, url] = /ready at (\S+)/.exec(out) ?? []
      if (url)
        resolve({
          url,
          child,
          end: async (signal = 'SIGKILL') => {
            child.kill(signal)
            await gone
          },
        })
    })
    void gone.then(({ code, said }) => reject(new Error(`ended with ${code}: ${said}`)))
  })
}

/** Start the program where it is expected to end by itself; one that does not is ended after half a minute. */
export async function endsBuilt(...args: readonly string[]): Promise<Ended> {
  const { child, gone } = run(args)
  const timer = setTimeout(() => child.kill('SIGKILL'), 30_000)
  const ended = await gone
  clearTimeout(timer)
  return ended
}

/** Start the program and kill it so many milliseconds later, ready or not; counted from when a file is there, where one is named. */
export async function cutShort(
  { after, since }: { after: number; since?: string },
  data: string,
  ...args: readonly string[]
): Promise<void> {
  const { child, gone } = run(['--port', '0', '--data', data, ...args])
  const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
  while (since !== undefined && !existsSync(since) && child.exitCode === null) await pause(5)
  await pause(after)
  child.kill('SIGKILL')
  await gone
}

export interface Json<T> {
  status: number
  body: T
}

/** Ask a running program. */
export async function askJson<T = Record<string, unknown>>(
  url: string,
  method = 'GET',
  body?: unknown,
): Promise<Json<T>> {
  const response = await fetch(url, {
    method,
    ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
  })
  const text = await response.text()
  return { status: response.status, body: (text ? JSON.parse(text) : null) as T }
}

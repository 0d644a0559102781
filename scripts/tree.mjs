import { spawn, spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { bundle } from './bundle.mjs'

/** Root of the working tree; every script works from there whatever folder it was called in. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..')

/** What tests and journeys leave behind; and where the name of a test is written that ended the run, since it did not end. */
export const RESULTS = join(ROOT, 'test-results')
export const UNENDED = join(RESULTS, 'unended.txt')

/** The compiler of TypeScript (scripts/types.mjs). */
export const TSC = join(ROOT, 'node_modules/typescript-7/bin/tsc')

const STAMP = join(ROOT, '.cache/built')
const SOURCES = [
  'core/src',
  'core/package.json',
  'server/src',
  'server/package.json',
  'web/src',
  'web/public',
  'web/index.html',
  'web/vite.config.ts',
  'scripts/bundle.mjs',
  'tsconfig.base.json',
  'package-lock.json',
]

const modified = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0)

function newest(path) {
  if (!existsSync(path)) return 0
  if (!statSync(path).isDirectory()) return modified(path)
  return Math.max(0, ...readdirSync(path, { recursive: true }).map((name) => modified(join(path, name))))
}

/** Debian's Chromium, unless another is named; its form without windows draws a quarter faster. Undefined for none. */
export const CHROMIUM =
  process.env.CHROMIUM ?? ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path))

/** Run a program to its end; its output goes to ours (or all to standard error with `quiet`). Throws when it fails. */
export function run(program, args, { quiet = false, cwd = ROOT, env = process.env } = {}) {
  const { status, error } = spawnSync(program, args, { cwd, env, stdio: quiet ? ['ignore', 2, 2] : 'inherit' })
  if (error) throw error
  if (status !== 0) throw new Error(`${program} ${args.join(' ')} ended with ${status}.`)
}

/** Run Jest, with what its two ways of running tests ask of Node (jest.config.js). Throws when a test fails. */
export function jest(args) {
  const node = [
    '--no-warnings',
    '--enable-source-maps',
    // Tests of web run in Jest's own sandbox, which reads modules by this.
    '--experimental-vm-modules',
    // Those of core and server run in Node itself: TypeScript as it is written, core from its sources.
    '--import',
    './scripts/testing/register.mjs',
    '--conditions=outfit-source',
  ]
  run(process.execPath, [...node, join(ROOT, 'node_modules/jest/bin/jest.js'), ...args])
}

/** Install the packages of the lockfile unless they are there already. */
export function install(options) {
  if (modified(join(ROOT, 'node_modules/.package-lock.json')) >= modified(join(ROOT, 'package-lock.json'))) return
  console.error('Installing packages; this is done once and takes some minutes…')
  run('npm', ['ci', '--no-audit', '--no-fund'], { quiet: true, ...options })
}

/** Whether nothing has changed since core, server and web were last built. */
export function isBuilt() {
  const built = modified(STAMP)
  return (
    existsSync(join(ROOT, 'server/dist/bundle/main.js')) &&
    existsSync(join(ROOT, 'web/dist/index.html')) &&
    SOURCES.every((path) => newest(join(ROOT, path)) < built)
  )
}

/** Build core, server and web, and put the server into few files, unless nothing has changed since they were last built. */
export async function build(options) {
  if (isBuilt()) return
  console.error('Building…')
  run(process.execPath, [TSC, '-b', 'core', 'server'], { quiet: true, ...options })
  run('npx', ['vite', 'build', '--logLevel', 'warn'], { quiet: true, ...options, cwd: join(ROOT, 'web') })
  await bundle(ROOT)
  mkdirSync(dirname(STAMP), { recursive: true })
  writeFileSync(STAMP, new Date().toISOString())
}

/** Start the built server; resolves with its address once it answers, rejects when it ends before. */
export function serve(args, { log = false } = {}) {
  const child = spawn(
    process.execPath,
    [join(ROOT, 'server/dist/bundle/main.js'), '--web', join(ROOT, 'web/dist'), ...args],
    {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  )
  return new Promise((resolve, reject) => {
    let said = ''
    child.stdout.on('data', (chunk) => {
      said += chunk
      if (log) process.stdout.write(chunk)
      const [, url] = /ready at (\S+)/.exec(said) ?? []
      if (url) resolve({ url, child })
    })
    child.on('exit', (code) =>
      reject(Object.assign(new Error(`The server ended with ${code} before it was ready.`), { code })),
    )
  })
}

/**
 * Load the sample world into a folder by the built server, for tests to work on copies of. A run of all tests does so once
 * (scripts/test.mjs) and says where by OUTFIT_LOADED_WORLD.
 */
export async function loadWorld(folder) {
  const ready = process.env.OUTFIT_LOADED_WORLD
  if (ready) return cpSync(ready, folder, { recursive: true })
  const { child } = await serve(['--port', '0', '--data', folder, '--world', join(ROOT, 'demo/world')])
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
}

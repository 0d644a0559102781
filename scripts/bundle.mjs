import { rmSync } from 'node:fs'
import { join } from 'node:path'

/** What is started as a program or a thread of its own, by its name in the bundle. */
const ENTRIES = {
  main: 'main.js',
  planWorker: 'sourcing/planWorker.js',
  asideWorker: 'solver/asideWorker.js',
  sheetWorker: 'market/sheetWorker.js',
  planCli: 'sourcing/planCli.js',
  rosterCli: 'wardrobe/rosterCli.js',
  archiveCli: 'app/archiveCli.js',
  restless: 'trial/restless.js',
}

/** Packages that bring machine code or read files beside them. */
const AS_THEY_ARE = [
  '@fontsource',
  '@resvg/resvg-js',
  'better-sqlite3',
  'highs',
  'pdfkit',
  'piscina',
  'sharp',
  'swagger-ui-dist',
  'wawoff2',
]

/**
 * Put the compiled server and the packages it uses into a few files (`server/dist/bundle`): finding and reading some two
 * thousand modules one by one takes longer than all else a start does.
 */
export async function bundle(root) {
  const { rolldown } = await import('rolldown')
  const dist = join(root, 'server/dist')
  const made = await rolldown({
    input: Object.fromEntries(Object.entries(ENTRIES).map(([name, file]) => [name, join(dist, file)])),
    platform: 'node',
    external: (id) => AS_THEY_ARE.some((name) => id === name || id.startsWith(`${name}/`)),
    // Packages name others they would use if they were there.
    onLog: (level, log, handle) => log.code !== 'UNRESOLVED_IMPORT' && level !== 'warn' && handle(level, log),
  })
  rmSync(join(dist, 'bundle'), { recursive: true, force: true })
  // Classes keep their names: tables and the interface's own description are called by them.
  await made.write({
    dir: join(dist, 'bundle'),
    format: 'esm',
    keepNames: true,
    strictExecutionOrder: true,
    chunkFileNames: '[name]-[hash].js',
  })
  await made.close()
}

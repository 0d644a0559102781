import 'reflect-metadata'
import { NestFactory } from '@nestjs/core'
import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import type { ArchiveProgress } from '@outfit/core/archive'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { refuseNewer } from '../base/database.ts'
import { holdFolder } from '../base/folder.ts'
import { refusalOf, StartRefused } from '../base/refusal.ts'
import { BadArchive } from '../archive/readArchive.ts'
import { writeArchive } from '../archive/writeArchive.ts'

// Files of a data folder, and archives of it, are for the account that owns them.
process.umask(0o077)

/**
 * `archive FILE.zip --data DIR` writes everything of a data folder as one file, also while a server runs on it;
 * `restore FILE.zip --data DIR` puts it back into a folder nobody uses, after a copy of what is there. Progress on standard
 * error; exit 2 with one line where that cannot be.
 */
async function main([act, ...args]: readonly string[]): Promise<void> {
  const { values, positionals } = given(args)
  const [file] = positionals
  if (!file || positionals.length > 1 || values.data === '')
    throw new StartRefused(`Say: npm run ${act} -- FILE.zip --data DIR`)
  const data = resolve(values.data ?? 'data')
  const path = resolve(file)
  const report = progress()
  if (act === 'archive') {
    const database = join(data, DATABASE_FILES[0])
    if (!existsSync(database)) throw new StartRefused(`There is no data in ${data}; name its folder with --data.`)
    if (!existsSync(dirname(path))) throw new StartRefused(`There is no folder ${dirname(path)}.`)
    refuseNewer(database)
    const { rows, pictures, bytes, missing } = await writeArchive(data, path, { report })
    const lost = missing > 0 ? `; ${missing} pictures were not there any more` : ''
    console.log(`${path}: ${rows} rows, ${pictures} pictures, ${bytes} bytes${lost}`)
    return
  }
  if (!existsSync(path)) throw new StartRefused(`There is no file ${path}.`)
  const folder = holdFolder(data, 0)
  try {
    const { AppModule } = await import('./appModule.ts')
    const { Databases } = await import('../base/database.ts')
    const { ArchiveService } = await import('../archive/archiveService.ts')
    const { WorkerPlanRunner } = await import('../sourcing/planRunner.ts')
    const settings = { port: 0, data, web: null, world: null, market: null }
    const module = AppModule.with(settings, await Databases.open(data), { runner: WorkerPlanRunner })
    const app = await NestFactory.createApplicationContext(module, { logger: ['error', 'warn'], abortOnError: false })
    try {
      const { name, rows, pictures } = await app.get(ArchiveService).restore(path, { report })
      const kept = name === null ? '' : `; what was there is kept as copies/${name}`
      console.log(`${rows} rows and ${pictures} pictures are back in ${data}${kept}`)
    } finally {
      await app.close()
    }
  } finally {
    folder.release()
  }
}

function given(args: readonly string[]) {
  try {
    return parseArgs({ args: [...args], options: { data: { type: 'string' } }, allowPositionals: true })
  } catch (error) {
    throw new StartRefused((error as Error).message)
  }
}

/** A line on standard error for each thing that is done, not for each row. */
function progress(): (progress: ArchiveProgress) => void {
  let last = ''
  return ({ words }) => {
    if (words !== last) process.stderr.write(`${words}\n`)
    last = words
  }
}

try {
  await main(process.argv.slice(2))
} catch (error) {
  const refused = error instanceof BadArchive || error instanceof StartRefused ? error : refusalOf(error, 'The archive')
  process.stderr.write(`${refused ? refused.message.replace(/\s+/g, ' ') : (error as Error).stack}\n`)
  process.exit(refused ? 2 : 1)
}

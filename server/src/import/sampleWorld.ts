import type { INestApplicationContext } from '@nestjs/common'
import { Resvg } from '@resvg/resvg-js'
import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { DataSource } from 'typeorm'
import { TABLES, type TableName } from '@outfit/core/formats'
import { PartEntity } from '../catalogue/entities.ts'
import { PhotoService } from '../catalogue/photoService.ts'
import { Writer } from '../app/writer.ts'
import { readStandIn, StandInMarket } from '../feed/standInMarket.ts'
import { LaterService } from '../later/laterService.ts'
import { QuoteService } from '../market/quoteService.ts'
import { RostersFile } from '../roster/dto.ts'
import { OutfitEntity } from '../roster/entities.ts'
import { ImportRosters } from '../roster/importRosters.ts'
import { ImportService } from './importService.ts'

/** Stands in the data folder while a sample world is being loaded, so that a load cut short is noticed. */
const LOADING = 'loading-sample-world'

/** Remove a database whose sample world was never loaded to the end; nobody can have worked on it yet. */
export function forgetHalfLoaded(data: string): void {
  if (!existsSync(join(data, LOADING))) return
  for (const file of ['outfit.sqlite', 'outfit.sqlite-wal', 'outfit.sqlite-shm'])
    rmSync(join(data, file), { force: true })
  rmSync(join(data, LOADING))
}

/** Load a folder of tables and rosters into an empty database, through the import a user has. */
export async function loadSampleWorld(app: INestApplicationContext, folder: string, data: string): Promise<void> {
  if ((await app.get(DataSource).getRepository(PartEntity).count()) > 0) return
  writeFileSync(join(data, LOADING), '')
  const imports = app.get(ImportService)
  for (const table of Object.keys(TABLES) as TableName[]) {
    if (table === 'offers') await loadPast(app, folder)
    const { rejects } = await imports.importTable(table, readFileSync(join(folder, `${table}.csv`), 'utf8'), {
      // The lists of a world are all its sellers have.
      whole: true,
    })
    const [first] = rejects
    if (first) throw new Error(`${table}.csv, line ${first.line}: ${first.reason}`)
  }
  const text = await withKeptPictures(readFileSync(join(folder, 'rosters.json'), 'utf8'), folder, app.get(PhotoService))
  const file = plainToInstance(RostersFile, JSON.parse(text))
  const [fault] = validateSync(file, { whitelist: true, forbidNonWhitelisted: true })
  if (fault) throw new Error(`rosters.json: ${fault.toString()}`)
  await app.get(ImportRosters).import(file)
  const outfits = await app.get(DataSource).getRepository(OutfitEntity).find()
  for (const { outfit, ...entry } of file.later ?? [])
    await app.get(LaterService).make({ ...entry, outfit: outfits.find(({ name }) => name === outfit)?.id })
  rmSync(join(data, LOADING))
}

/** The weeks before the day of the offers, as the world's made-up market had them. */
async function loadPast(app: INestApplicationContext, folder: string): Promise<void> {
  const world = readStandIn(folder)
  if (!world) return
  const sheets = new StandInMarket(world, () => world.day).past()
  const quotes = app.get(QuoteService)
  await app.get(Writer).transaction(async (db) => {
    await quotes.begin(db)
    for (const { lines } of sheets) await quotes.collect(db, lines)
    await quotes.keep(db, { source: 'market', whole: true })
  })
}

/** The text of a rosters file with the pictures it names by file kept, and named by their hashes instead. */
async function withKeptPictures(text: string, folder: string, photos: PhotoService): Promise<string> {
  const names = [...new Set(text.match(/references\/[\w-]+\.svg/g) ?? [])]
  const hashes = await Promise.all(
    names.map(async (name) => {
      const png = new Resvg(readFileSync(join(folder, name), 'utf8'), { font: { loadSystemFonts: false } })
        .render()
        .asPng()
      return (await photos.take(Readable.from([png]), png.length)).hash
    }),
  )
  return names.reduce((known, name, i) => known.replaceAll(name, hashes[i]!), text)
}

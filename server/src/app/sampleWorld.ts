import type { INestApplicationContext } from '@nestjs/common'
import { NestFactory } from '@nestjs/core'
import { Resvg } from '@resvg/resvg-js'
import Database from 'better-sqlite3'
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { DataSource } from 'typeorm'
import { TABLES, type TableName } from '@outfit/core/tables'
import { markSample } from '../archive/sampleRows.ts'
import { AppModule } from './appModule.ts'
import { QUIET } from './createApp.ts'
import { Databases, refuseNewer } from '../base/database.ts'
import { DATABASE_FILES } from '../base/databaseFiles.ts'
import { setAside } from '../base/folder.ts'
import { refusalOf } from '../base/refusal.ts'
import type { Settings } from '../base/settings.ts'
import { CARD_CHOICES, cropRound, firstPhoto, type CardChoices } from '@outfit/core/show'
import type { Box } from '@outfit/core/picture'
import { CardService } from '../show/cardService.ts'
import { PhotoService } from '../catalogue/photoService.ts'
import { Writer } from '../base/writer.ts'
import { readStandIn, StandInMarket } from '../feed/standInMarket.ts'
import { LaterService } from '../later/laterService.ts'
import { QuoteService } from '../market/quoteService.ts'
import { OutfitEntity } from '../schema/roster.ts'
import { ImportRosters } from '../roster/importRosters.ts'
import { readRosters } from '../roster/readRosters.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { WorkerPlanRunner } from '../sourcing/planRunner.ts'
import { ImportService } from '../tables/importService.ts'

/** Where in a data folder a sample world is put together; nobody's data, whatever is found there. */
const BEING_LOADED = 'sample-world'
/** Stood in the data folder of earlier versions while they loaded a sample world into the database itself. */
const OLD_MARK = 'loading-sample-world'

/**
 * Bring the sample world of `settings` into a data folder that holds nothing of anybody. It is put together in a folder of
 * its own and gets the database's name when it is complete, so that a load cut short leaves nothing behind. Call it while
 * the folder is held and its database closed. `there`: a catalogue is there already, as after the first time; `not ours`:
 * there is data without one.
 */
export async function bringSampleWorld(
  settings: Settings & { world: string },
): Promise<'brought' | 'there' | 'not ours'> {
  const { data, world } = settings
  const own = join(data, BEING_LOADED)
  rmSync(own, { recursive: true, force: true })
  if (existsSync(join(data, OLD_MARK))) {
    // What an earlier version left half loaded; should anybody have worked on it all the same, it is still there.
    setAside(data)
    rmSync(join(data, OLD_MARK))
  }
  const file = join(data, DATABASE_FILES[0])
  const holds = existsSync(file) ? tablesWithRows(file) : []
  if (holds.length > 0) return holds.includes('part') ? 'there' : 'not ours'
  const apart = { ...settings, data: own, market: null, durable: false }
  const databases = await Databases.open(own, apart)
  const app = await NestFactory.createApplicationContext(
    AppModule.with(apart, databases, { runner: WorkerPlanRunner }),
    QUIET,
  )
  try {
    await loadSampleWorld(app, world)
    await app.get(Writer).transaction(async (db) => markSample((await db.queryRunner!.connect()) as Database.Database))
  } finally {
    await app.close()
  }
  mkdirSync(join(data, 'files'), { recursive: true })
  for (const name of readdirSync(join(own, 'files'))) renameSync(join(own, 'files', name), join(data, 'files', name))
  onDisk(join(own, DATABASE_FILES[0]))
  // The log of an empty database must not be taken for one of the new.
  for (const name of DATABASE_FILES) rmSync(join(data, name), { force: true })
  renameSync(join(own, DATABASE_FILES[0]), file)
  onDisk(data)
  rmSync(own, { recursive: true, force: true })
  return 'brought'
}

/** Tables that have a row, but for that of migrations. Opening and closing the database also brings its log home. */
function tablesWithRows(file: string): string[] {
  let db: Database.Database | null = null
  try {
    refuseNewer(file)
    db = new Database(file)
    const tables = db
      .prepare(
        `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('migrations') AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'part_text%'`,
      )
      .pluck()
      .all() as string[]
    return tables.filter((name) => db!.prepare(`SELECT 1 FROM "${name}" LIMIT 1`).get() !== undefined)
  } catch (error) {
    throw refusalOf(error, file) ?? error
  } finally {
    db?.close()
  }
}

/** Wait until a file, or the names in a folder, are on the disk. */
function onDisk(path: string): void {
  const handle = openSync(path, 'r')
  fsyncSync(handle)
  closeSync(handle)
}

/** Load a folder of tables and rosters into an empty database, through the import a user has. */
export async function loadSampleWorld(app: INestApplicationContext, folder: string): Promise<void> {
  const imports = app.get(ImportService)
  for (const table of Object.keys(TABLES) as TableName[]) {
    if (table === 'offers') await loadPast(app, folder)
    const { rejects } = await imports.importTable(table, readFileSync(join(folder, `${table}.csv`), 'utf8'), {
      // The lists of a world are all its sellers have.
      whole: true,
      first: true,
    })
    const [first] = rejects
    if (first) throw new Error(`${table}.csv, line ${first.line}: ${first.reason}`)
  }
  // The world is made up, and all there is of it is here.
  await app.get(SettingsService).change({ wholeCatalogue: true })
  const text = await withKeptPictures(readFileSync(join(folder, 'rosters.json'), 'utf8'), folder, app.get(PhotoService))
  const file = await readRosters(JSON.parse(text))
  await app.get(ImportRosters).import(file)
  const outfits = await app.get(DataSource).getRepository(OutfitEntity).find()
  await loadCards(app, folder, outfits)
  for (const { outfit, ...entry } of file.later ?? [])
    await app.get(LaterService).make({ ...entry, outfit: outfits.find(({ name }) => name === outfit)?.id })
}

/** What the world says of a photo that stands on a card. */
interface WorldCard {
  outfit: string
  file: string
  turn: number
  even: number
  figure: Box
  card: Partial<CardChoices>
}

/** The cards that show a photo of the built figure. */
async function loadCards(app: INestApplicationContext, folder: string, outfits: readonly OutfitEntity[]) {
  const file = join(folder, 'cards.json')
  if (!existsSync(file)) return
  for (const { outfit, file: name, turn, even, figure, card } of JSON.parse(
    readFileSync(file, 'utf8'),
  ) as WorldCard[]) {
    const bytes = readFileSync(join(folder, name))
    const kept = await app.get(PhotoService).take(Readable.from([bytes]), bytes.length)
    const photo = { ...firstPhoto(kept, figure), turn, even }
    const { id } = outfits.find((one) => one.name === outfit)!
    await app.get(CardService).choose(id, {
      ...CARD_CHOICES,
      ...card,
      picture: 'photo',
      photo: { ...photo, crop: cropRound(photo, figure) },
    })
  }
}

/** The weeks before the day of the offers, as the world's made-up market had them. */
async function loadPast(app: INestApplicationContext, folder: string): Promise<void> {
  const world = readStandIn(folder)
  if (!world) return
  const sheets = new StandInMarket(world, () => world.day).past()
  const quotes = app.get(QuoteService)
  await app.get(Writer).transaction(async (db) => {
    const kept = quotes.begin(db)
    for (const { lines } of sheets) await kept.collect(lines)
    await kept.keep({ source: 'market', whole: true })
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

/**
 * Builds, takes apart, imports and takes back without end on the data folder it is given, through the built services; the
 * crash test kills it. Prints `ready`, then `done <act>` for every act it was told is written.
 */
import 'reflect-metadata'
import { DataSource } from 'typeorm'
import { Changes } from '../../dist/app/changes.js'
import { databaseIn } from '../../dist/app/database.js'
import { Writer } from '../../dist/app/writer.js'
import { CatalogueService } from '../../dist/catalogue/catalogueService.js'
import { WishService } from '../../dist/catalogue/wishService.js'
import { ActService } from '../../dist/drawer/actService.js'
import { BinService } from '../../dist/drawer/binService.js'
import { DrawerService } from '../../dist/drawer/drawerService.js'
import { ImportService } from '../../dist/import/importService.js'
import { MarketService } from '../../dist/market/marketService.js'
import { ParcelService } from '../../dist/market/parcelService.js'
import { SharesService } from '../../dist/roster/sharesService.js'
import { StandService } from '../../dist/roster/standService.js'

const [, , data, outfit, part, rows] = process.argv
const database = await new DataSource(databaseIn(data)).initialize()
const changes = new Changes()
const writer = new Writer(database)
const catalogue = new CatalogueService(database, changes)
const drawer = new DrawerService(database, changes)
const parcels = new ParcelService(database, catalogue)
const market = new MarketService(database, catalogue, changes)
const acts = new ActService(database, writer, changes, catalogue)
const bins = new BinService(database, writer, changes, acts, catalogue, parcels)
const shares = new SharesService(database, drawer, parcels, market)
const stands = new StandService(database, writer, shares, drawer, acts, bins, changes)
const wishes = new WishService(database, writer)
// Owned parts are no files that were uploaded, and nobody finds parts by them.
const imports = new ImportService(database, writer, null, null, wishes, changes)
const today = '2026-11-25'
const csv = `part,bin,qty,date,reason\n${Array.from({ length: Number(rows) }, () => `${part},B1,1,${today},crash test`).join('\n')}`

/** The newest act, which is the one that was just acknowledged. */
const acknowledged = async () => {
  const [{ id }] = await database.query('SELECT id FROM act ORDER BY id DESC LIMIT 1')
  process.stdout.write(`done ${id}\n`)
  return id
}
const [{ standing }] = await database.query(
  'SELECT COUNT(*) AS standing FROM lying JOIN bin ON bin.code = lying.bin WHERE bin.outfit = ?',
  [outfit],
)
if (standing > 0) await stands.takeApart(outfit, today)
process.stdout.write('ready\n')
for (;;) {
  await stands.build(outfit, today)
  const built = await acknowledged()
  await acts.reverse(built, today)
  await acknowledged()
  await imports.importTable('owned', csv)
  const imported = await acknowledged()
  await acts.reverse(imported, today)
  await acknowledged()
}

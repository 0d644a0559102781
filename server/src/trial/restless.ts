/**
 * Builds, takes apart, imports and takes back without end on the data folder it is given, in the application itself; the
 * crash test kills it. Prints `ready`, then `done <kind> <act>` for every act it was told is written.
 */
import 'reflect-metadata'
import { NestFactory } from '@nestjs/core'
import { DataSource } from 'typeorm'
import { AppModule } from '../app/appModule.ts'
import { QUIET } from '../app/createApp.ts'
import { Databases } from '../base/database.ts'
import { ActService } from '../drawer/actService.ts'
import { ImportService } from '../tables/importService.ts'
import { StandService } from '../roster/standService.ts'
import { WorkerPlanRunner } from '../sourcing/planRunner.ts'

const [, , data = '', outfit = '', part = '', rows = '1'] = process.argv
const databases = await Databases.open(data)
const settings = { port: 0, data, web: null, world: null, market: null }
const app = await NestFactory.createApplicationContext(
  AppModule.with(settings, databases, { runner: WorkerPlanRunner }),
  QUIET,
)
const database = app.get(DataSource)
const [stands, acts, imports] = [app.get(StandService), app.get(ActService), app.get(ImportService)]
const day = '2026-11-25'
const csv = `part,bin,qty,date,reason\n${Array.from({ length: Number(rows) }, () => `${part},B1,1,${day},crash test`).join('\n')}`

/** Tell of the newest act, which is the one that was just acknowledged. */
async function acknowledged(): Promise<string> {
  const [act] = (await database.query('SELECT id, kind FROM act ORDER BY rowid DESC LIMIT 1')) as [
    { id: string; kind: string },
  ]
  process.stdout.write(`done ${act.kind} ${act.id}\n`)
  return act.id
}

const [{ standing }] = (await database.query(
  'SELECT COUNT(*) AS standing FROM lying JOIN bin ON bin.code = lying.bin WHERE bin.outfit = ?',
  [outfit],
)) as [{ standing: number }]
if (standing > 0) await stands.takeApart(outfit, day)
process.stdout.write('ready\n')
for (;;) {
  const report = await imports.importTable('owned', csv)
  if (!report.written) throw new Error(`The import was not written: ${JSON.stringify(report.rejects[0])}`)
  await acts.reverse(await acknowledged(), day)
  await acknowledged()
  await stands.build(outfit, day)
  await acts.reverse(await acknowledged(), day)
  await acknowledged()
}

import type { INestApplicationContext } from '@nestjs/common'
import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DataSource } from 'typeorm'
import { TABLES, type TableName } from '@outfit/core/formats'
import { PartEntity } from '../catalogue/entities.ts'
import { RostersFile } from '../roster/dto.ts'
import { RosterService } from '../roster/rosterService.ts'
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
    const { rejects } = await imports.importTable(table, readFileSync(join(folder, `${table}.csv`), 'utf8'))
    const [first] = rejects
    if (first) throw new Error(`${table}.csv, line ${first.line}: ${first.reason}`)
  }
  const file = plainToInstance(RostersFile, JSON.parse(readFileSync(join(folder, 'rosters.json'), 'utf8')))
  const [fault] = validateSync(file, { whitelist: true, forbidNonWhitelisted: true })
  if (fault) throw new Error(`rosters.json: ${fault.toString()}`)
  await app.get(RosterService).importRosters(file)
  rmSync(join(data, LOADING))
}

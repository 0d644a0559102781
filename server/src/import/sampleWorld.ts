import type { INestApplicationContext } from '@nestjs/common'
import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { DataSource } from 'typeorm'
import { TABLES, type TableName } from '@outfit/core/formats'
import { PartEntity } from '../catalogue/entities.ts'
import { RostersFile } from '../roster/dto.ts'
import { RosterService } from '../roster/rosterService.ts'
import { ImportService } from './importService.ts'

/** Load a folder of tables and rosters into an empty database, through the import a user has. */
export async function loadSampleWorld(app: INestApplicationContext, folder: string): Promise<void> {
  if ((await app.get(DataSource).getRepository(PartEntity).count()) > 0) return
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
}

import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { TableName } from '@outfit/core/tables'
import { refuseStale } from '../base/stale.ts'
import { Writer } from '../base/writer.ts'
import { MappingEntity } from '../schema/tables.ts'

/** Column mappings kept by name, for files that come again. */
@Injectable()
export class MappingService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
  ) {}

  /** Kept ways to read columns of lists as a table, by name. */
  async of(table: TableName): Promise<{ name: string; columns: Record<string, string> }[]> {
    const rows = await this.database
      .getRepository(MappingEntity)
      .find({ where: { tableName: table }, order: { name: 'ASC' } })
    return rows.map(({ name, columns }) => ({ name, columns }))
  }

  /** Keep a mapping under a name. One there is already is replaced by who has read it as it is now. */
  async remember(
    table: TableName,
    name: string,
    columns: Record<string, string>,
    was: Record<string, string> | undefined,
  ): Promise<void> {
    await this.writer.transaction(async (db) => {
      const known = await db.findOneBy(MappingEntity, { tableName: table, name })
      if (known) refuseStale(name, was && { columns: was }, { columns: known.columns })
      await db.save(MappingEntity, { tableName: table, name, columns })
    })
  }

  /** Forget one of them; nothing where there is none of that name. */
  async forget(table: TableName, name: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(MappingEntity, { tableName: table, name }))
  }
}

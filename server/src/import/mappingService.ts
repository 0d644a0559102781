import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { TableName } from '@outfit/core/formats'
import { Writer } from '../app/writer.ts'
import { MappingEntity } from './entities.ts'

/** Column mappings kept by name, for files that come again. */
@Injectable()
export class MappingService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
  ) {}

  async of(table: TableName): Promise<{ name: string; columns: Record<string, string> }[]> {
    const rows = await this.database
      .getRepository(MappingEntity)
      .find({ where: { tableName: table }, order: { name: 'ASC' } })
    return rows.map(({ name, columns }) => ({ name, columns }))
  }

  async remember(table: TableName, name: string, columns: Record<string, string>): Promise<void> {
    await this.writer.transaction((db) => db.save(MappingEntity, { tableName: table, name, columns }))
  }

  async forget(table: TableName, name: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(MappingEntity, { tableName: table, name }))
  }
}

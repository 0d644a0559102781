import { Injectable } from '@nestjs/common'
import type { Database } from 'better-sqlite3'
import type { EntityManager } from 'typeorm'
import { QuoteSheets } from './quoteSheets.ts'

/** The connection of a manager, for statements that are run a million times. */
export const connectionOf = ({ connection }: EntityManager): Database =>
  (connection.driver as unknown as { databaseConnection: Database }).databaseConnection

/** Where quote sheets come in, whoever brings them. */
@Injectable()
export class QuoteService {
  /** Begin to take quote sheets in, inside a transaction: lines are collected, then kept all at once. */
  begin(db: EntityManager): QuoteSheets {
    return QuoteSheets.begin(connectionOf(db))
  }
}

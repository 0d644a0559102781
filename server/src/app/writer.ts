import { Injectable } from '@nestjs/common'
import { DataSource, type EntityManager } from 'typeorm'

/**
 * The one writer. SQLite has one connection here, so a write begun while a transaction is open would become part of it
 * and vanish with it; writes therefore wait for each other. Between two of them whoever only reads has a turn: the driver
 * answers at once, so that a row of writes would keep everybody else waiting.
 */
@Injectable()
export class Writer {
  private last: Promise<unknown> = Promise.resolve()

  constructor(private readonly database: DataSource) {}

  /** Run `work` in a transaction of its own, after all that were asked for before. */
  transaction<T>(work: (db: EntityManager) => Promise<T>): Promise<T> {
    const mine = this.last.then(() => this.database.transaction(work))
    this.last = mine.catch(() => undefined).then(() => new Promise(setImmediate))
    return mine
  }
}

import { Injectable, Logger } from '@nestjs/common'
import type { Database } from 'better-sqlite3'
import type { EntityManager, QueryRunner } from 'typeorm'
import { Databases } from './database.ts'
import { isLocked } from './storage.ts'

/** How long a write waits for another program to let go of the database, and between two tries, in milliseconds. */
const LOCK_PATIENCE = 5_000
const LOCK_PAUSE = 50

/** Writes down what transactions change. Both run inside them; what they throw rolls back. */
export interface Watch {
  begin(connection: Database): void
  end(connection: Database): void
}

/** What TypeORM believes of the transaction of a connection; SQLite alone knows. */
interface Belief {
  isTransactionActive: boolean
  transactionDepth: number
}

/**
 * The one writer. SQLite has one connection for writing, so a write begun while a transaction is open would become part of
 * it and vanish with it; writes therefore wait for each other. Between two of them whoever only reads has a turn: the
 * driver answers at once, so that a row of writes would keep everybody else waiting.
 *
 * Transactions are begun, committed and rolled back here and not by TypeORM: where SQLite has rolled back by itself (a full
 * disk, a failed COMMIT), TypeORM still counts an open transaction, and what it later calls a commit would only release a
 * savepoint of a transaction nobody commits. Within one, TypeORM nests by savepoints as ever.
 */
@Injectable()
export class Writer {
  private readonly log = new Logger('writer')
  private last: Promise<unknown> = Promise.resolve()

  private watcher: Watch | null = null
  private readonly listeners: (() => void)[] = []

  constructor(private readonly databases: Databases) {}

  /** Have every transaction from now on watched. */
  watch(watcher: Watch): void {
    this.watcher = watcher
  }

  /** `listener` is told of every transaction that was committed, in the name of whoever did it. */
  onWritten(listener: () => void): void {
    this.listeners.push(listener)
  }

  /** Run `work` in a transaction of its own, after all that were asked for before. What it answers is on the disk. */
  transaction<T>(work: (db: EntityManager) => Promise<T>): Promise<T> {
    return this.inTurn(() => this.run(work))
  }

  /**
   * Run `work`, which writes in a transaction of its own on another connection, in its turn among all that is written here.
   * Nobody takes back what it writes.
   */
  async elsewhere<T>(work: () => Promise<T>): Promise<T> {
    const result = await this.inTurn(work)
    for (const listener of this.listeners) listener()
    return result
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work)
    this.last = mine.catch(() => undefined).then(() => new Promise(setImmediate))
    return mine
  }

  private async run<T>(work: (db: EntityManager) => Promise<T>): Promise<T> {
    const runner = this.databases.writing.createQueryRunner()
    const connection = (await runner.connect()) as Database
    await this.begin(connection)
    believe(runner, true)
    try {
      this.watcher?.begin(connection)
      const result = await work(runner.manager)
      // SQLite may have rolled back beneath `work`, which did not notice: then nothing of it is there to be committed.
      if (!connection.inTransaction) throw new Error('The transaction was rolled back by the database.')
      this.watcher?.end(connection)
      connection.exec('COMMIT')
      for (const listener of this.listeners) listener()
      return result
    } catch (error) {
      this.rollBack(connection)
      throw error
    } finally {
      believe(runner, false)
    }
  }

  /** Take the lock for writing at once: a transaction that reads first and then finds the lock taken cannot wait for it. */
  private async begin(connection: Database): Promise<void> {
    const until = Date.now() + LOCK_PATIENCE
    // Waiting in SQLite would keep every request waiting.
    connection.pragma('busy_timeout = 0')
    try {
      for (;;) {
        try {
          return void connection.exec('BEGIN IMMEDIATE')
        } catch (error) {
          if (!isLocked(error) || Date.now() > until) throw error
          await new Promise((resolve) => setTimeout(resolve, LOCK_PAUSE))
        }
      }
    } finally {
      connection.pragma(`busy_timeout = ${LOCK_PATIENCE}`)
    }
  }

  /** Leave no transaction open. Where that fails nobody can say what later writes would be worth, so the process ends. */
  private rollBack(connection: Database): void {
    try {
      if (connection.inTransaction) connection.exec('ROLLBACK')
    } catch (error) {
      this.log.error(error)
    }
    if (!connection.open || connection.inTransaction) {
      this.log.error(
        'A failed write could not be undone. Outfit ends, so that nothing is acknowledged that is not written.',
      )
      process.exit(70)
    }
  }
}

function believe(runner: QueryRunner, open: boolean): void {
  const belief = runner as unknown as Belief
  belief.isTransactionActive = open
  belief.transactionDepth = open ? 1 : 0
}

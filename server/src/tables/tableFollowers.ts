import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import { LARGE_IMPORT } from '@outfit/core/archive'
import type { Fulfilled } from '@outfit/core/catalogue'
import type { TableName } from '@outfit/core/tables'

/** Takes the rows of a table in its own way, in the transaction it is begun in. */
export interface RowKeeper {
  begin(db: EntityManager): Promise<CollectedRows>
}

/** Rows as they come, heap by heap, written by `keep` when all are there. */
export interface CollectedRows {
  collect(rows: readonly object[]): Promise<void>
  /** `whole`: the rows are all there is, so that what they do not name is gone. */
  keep(options: { source: 'table'; whole: boolean }): Promise<unknown>
}

/**
 * Does what follows from rows written to a table, in their transaction; tells the wishes that came true by it. `codes` are
 * those of the rows, for parts alone.
 */
export type Follower = (db: EntityManager, table: TableName, codes: readonly string[]) => Promise<Fulfilled[]>

/** Whoever minds what is written to tables registers here, so that tables need not know who there is. */
@Injectable()
export class TableFollowers {
  private readonly keepers = new Map<TableName, RowKeeper>()
  private readonly followers: Follower[] = []
  private readonly copiers: (() => Promise<void>)[] = []
  private readonly makers: ((db: EntityManager) => Promise<void>)[] = []

  /** Rows of a table are taken by `keeper` instead of being written as they stand. */
  keep(table: TableName, keeper: RowKeeper): void {
    this.keepers.set(table, keeper)
  }

  follow(follower: Follower): void {
    this.followers.push(follower)
  }

  /** `make` works out anew, in the transaction it is given, what is kept beside the tables and made from all of them. */
  madeFromAll(make: (db: EntityManager) => Promise<void>): void {
    this.makers.push(make)
  }

  /** Every table was written anew, as a whole. */
  async afresh(db: EntityManager): Promise<void> {
    for (const make of this.makers) await make(db)
  }

  /** `copy` keeps what is there before so much is brought in that nobody could take it back by hand. */
  beforeMuch(copy: () => Promise<void>): void {
    this.copiers.push(copy)
  }

  /** So many rows are about to be kept; what is committed until now is still as it was. */
  async much(rows: number): Promise<void> {
    if (rows > LARGE_IMPORT) for (const copy of this.copiers) await copy()
  }

  keeperOf(table: TableName): RowKeeper | undefined {
    return this.keepers.get(table)
  }

  /** Tell everybody of rows that were written; the wishes that came true. */
  async written(db: EntityManager, table: TableName, codes: readonly string[]): Promise<Fulfilled[]> {
    const fulfilled: Fulfilled[] = []
    for (const follower of this.followers) fulfilled.push(...(await follower(db, table, codes)))
    return fulfilled
  }
}

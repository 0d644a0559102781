import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { doing, notWhole } from '../base/doing.ts'
import { today } from '../base/today.ts'
import { QuoteService } from '../market/quoteService.ts'
import { IntakeEntity } from '../schema/intake.ts'
import { TableFollowers, type CollectedRows } from '../tables/tableFollowers.ts'
import { pricesBefore } from './priceRows.ts'
import { undoOf } from './undoOf.ts'

const ulid = monotonicFactory()

/** Lines of a table that are written down one by one; of more, a copy of everything is kept before them. */
const MOST_LINES = 20_000

const NAME = 'a table of prices'

/** Takes tables of offers in as quote sheets, each a list that can be taken back as one of somebody's own can. */
@Injectable()
export class TableOfPrices {
  constructor(
    followers: TableFollowers,
    private readonly quotes: QuoteService,
  ) {
    followers.keep('offers', { begin: (db) => this.begin(db) })
  }

  private async begin(db: EntityManager): Promise<CollectedRows> {
    const sheets = this.quotes.begin(db)
    const sellers = new Set<string>()
    let lines = 0
    return {
      collect: async (rows) => {
        lines += rows.length
        for (const row of rows) sellers.add((row as { seller: string }).seller)
        await sheets.collect(rows as Parameters<typeof sheets.collect>[0])
      },
      keep: async (options) => {
        // A world that is loaded is nobody's list.
        if (lines > MOST_LINES || doing() === null) {
          notWhole(`Brought in ${NAME}`)
          return sheets.keep(options)
        }
        const keepRows = await pricesBefore(db, [...sellers])
        const kept = await sheets.keep(options)
        const id = ulid()
        const list = { id, at: today(), name: NAME, hash: '', kind: 'prices' as const, rows: lines }
        await db.insert(IntakeEntity, { ...list, act: null, undo: undoOf({}), takenBack: null })
        await keepRows(id)
        return kept
      },
    }
  }
}

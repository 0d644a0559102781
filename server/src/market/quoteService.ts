import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { notWhole } from '../base/doing.ts'
import { QuoteSheets } from './quoteSheets.ts'

/** Where quote sheets come in, whoever brings them; a table of offers is some of them. */
@Injectable()
export class QuoteService {
  constructor(followers: TableFollowers) {
    followers.keep('offers', {
      begin: (db) => {
        // Lines of the market are too many to be written down one by one.
        notWhole('Brought in a table of prices')
        return this.begin(db)
      },
    })
  }

  /** Begin to take quote sheets in, inside a transaction: lines are collected, then kept all at once. */
  begin(db: EntityManager): Promise<QuoteSheets> {
    return QuoteSheets.begin(db)
  }
}

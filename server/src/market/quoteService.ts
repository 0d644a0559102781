import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import { QuoteSheets } from './quoteSheets.ts'

/** Where quote sheets come in, whoever brings them. */
@Injectable()
export class QuoteService {
  /** Begin to take quote sheets in, inside a transaction: lines are collected, then kept all at once. */
  begin(db: EntityManager): Promise<QuoteSheets> {
    return QuoteSheets.begin(db)
  }
}

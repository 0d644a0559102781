import { Injectable } from '@nestjs/common'
import { DataSource, Like, MoreThan } from 'typeorm'
import { homeCurrency, worthIn } from '@outfit/core/market'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RowChecker } from '../tables/rowChecker.ts'
import { OfferEntity, RateEntity, SellerEntity, SheetEntity } from '../schema/market.ts'
import type { NewOffer } from './offerDto.ts'
import { offeredOn } from '../schema/offeredOn.ts'
import { QuoteService } from './quoteService.ts'

/** Offers told at a time. */
const PAGE = 100
const MOST_SHEETS = 60

/** What a seller offers, line by line, and the sheets that told of it. */
@Injectable()
export class OfferService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
    private readonly quotes: QuoteService,
    private readonly changes: Changes,
  ) {}

  /** Offers of a seller in the order of their ids, after one of them; only those whose code begins so, if asked. */
  async of(code: string, { after = 0, starts = '' }: { after?: number; starts?: string }) {
    const seller = await this.seller(code)
    const repository = this.database.getRepository(OfferEntity)
    const where = { seller: code, ...(starts ? { code: Like(`${starts.replaceAll(/[%_]/g, '')}%`) } : {}) }
    const [on, offers, count, rates, sheets] = await Promise.all([
      offeredOn(this.database.manager),
      repository.find({
        where: { ...where, id: MoreThan(after) },
        order: { id: 'ASC' },
        take: PAGE + 1,
      }),
      repository.countBy(where),
      this.database.getRepository(RateEntity).find(),
      this.database
        .getRepository(SheetEntity)
        .find({ where: { seller: code }, order: { date: 'DESC', source: 'ASC' }, take: MOST_SHEETS }),
    ])
    const shown = offers.slice(0, PAGE)
    const names = await this.catalogue.plainNamesOf(shown)
    const worth = worthIn(homeCurrency(), rates)
    return {
      seller,
      count,
      offers: shown.map((offer) => ({
        ...offer,
        date: on(offer),
        name: names.get(`${offer.kind} ${offer.code}`) ?? offer.code,
        home: worth(offer.price, offer.currency, today()),
      })),
      next: offers.length > PAGE ? shown.at(-1)!.id : null,
      sheets,
    }
  }

  /**
   * Write down what a seller asks for one thing today, as told by hand: a quote sheet of one line. Stock 0 says it is gone.
   */
  async quote(code: string, { kind, thing, condition, price, stock, multiple }: NewOffer): Promise<void> {
    const seller = await this.seller(code)
    const row = {
      date: today(),
      seller: code,
      kind,
      code: thing,
      condition,
      price,
      currency: seller.currency,
      stock,
      multiple,
    }
    await this.writer.transaction(async (db) => {
      const rejects: { column: string | null; reason: string }[] = []
      const good = (await RowChecker.open(db, 'offers')).check(row, 1, rejects as never)
      if (!good)
        throw new Problem(
          400,
          `${rejects.map(({ reason }) => reason).join('; ')}. Nothing was written.`,
          rejects.map(({ column, reason }) => ({
            field: column === 'code' ? 'thing' : (column ?? 'thing'),
            message: reason,
          })),
        )
      const sheets = this.quotes.begin(db)
      await sheets.collect([row])
      await sheets.keep({ source: 'hand', whole: false })
    })
    this.changes.tell('market')
  }

  private async seller(code: string): Promise<SellerEntity> {
    const seller = await this.database.getRepository(SellerEntity).findOneBy({ code })
    if (!seller) throw notFound('seller', code)
    return seller
  }
}

import { Injectable } from '@nestjs/common'
import { catalogueOf, mouldOf } from '@outfit/core/catalogue'
import { refillsOf, type Refills } from '@outfit/core/uses'
import { SharesService } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { unclaimedOf } from './unclaimed.ts'

/** What to put on figures that stand together once a part is taken off them. */
@Injectable()
export class RefillService {
  constructor(
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
  ) {}

  /** @throws Problem 404 where there is no such part. */
  async of(code: string): Promise<Refills> {
    const [part] = await this.catalogue.parts([code])
    if (!part) throw notFound('part', code)
    const { donors, loose } = await this.drawer.contents()
    const giving = donors.filter(({ pieces }) => pieces.some((piece) => piece.part === code))
    const basics = await this.catalogue.basics()
    const own = catalogueOf({ ...basics, parts: [part], prints: [] })
    if (giving.length === 0) return { part: code, refills: [], parts: [part], prints: [] }
    const [{ ofKind, catalogue }, shares, lowest] = await Promise.all([
      this.catalogue.matchable(),
      this.shares.all(),
      this.market.lowest(),
    ])
    const unclaimed = unclaimedOf(shares, loose)
    const refills = refillsOf(part, giving, ofKind.get(mouldOf(own, part).kind) ?? [], {
      catalogue,
      unclaimed: (one) => unclaimed[one] ?? 0,
      priceOf: (one) => lowest.get(one),
    })
    const shown = refills.flatMap(({ worn, cheapest, loose: lying }) => [
      ...worn.map((placement) => placement.part),
      ...(cheapest ? [cheapest.part] : []),
      ...(lying === null ? [] : [lying]),
    ])
    const parts = await this.catalogue.parts([code, ...shown])
    return { part: code, refills, parts, prints: await this.catalogue.printsOn(parts) }
  }
}

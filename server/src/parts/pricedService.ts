import { Injectable } from '@nestjs/common'
import type { Part, Print } from '@outfit/core/catalogue'
import { unitsOf } from '@outfit/core/drawer'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'

/** A part with how many are owned and the lowest price of a single one in the home currency. */
export interface PricedPart {
  part: Part
  owned: number
  lowest: number | null
}

/** Parts as every list shows them. */
@Injectable()
export class PricedService {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
  ) {}

  /** Parts with what is owned and the lowest price, the parts inside assemblies likewise, and all their prints. */
  async withPrices(found: readonly Part[]): Promise<{ items: PricedPart[]; parts: PricedPart[]; prints: Print[] }> {
    const inside = await this.catalogue.parts(found.flatMap((part) => part.components.map((c) => c.part)))
    const [owned, prices] = await Promise.all([this.drawer.onHand(), this.market.lowest()])
    const priced = (part: Part): PricedPart => ({
      part,
      owned: unitsOf(part, (code) => owned.get(code) ?? 0),
      lowest: prices.get(part.code) ?? null,
    })
    return {
      items: found.map(priced),
      parts: inside.map(priced),
      prints: await this.catalogue.printsOn([...found, ...inside]),
    }
  }
}

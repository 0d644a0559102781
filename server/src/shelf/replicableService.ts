import { Injectable } from '@nestjs/common'
import { catalogueOf, partLabel } from '@outfit/core/catalogue'
import { replicability, type PartSupply, type Replicability } from '@outfit/core/market'
import { notFound } from '../base/problem.ts'
import { CarriersService } from '../catalogue/carriersService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { RosterService } from '../roster/rosterService.ts'

/** How easily a stranger puts a take together, from today's offers and what carries its parts. */
@Injectable()
export class ReplicableService {
  constructor(
    private readonly rosters: RosterService,
    private readonly catalogue: CatalogueService,
    private readonly carriers: CarriersService,
    private readonly market: MarketService,
  ) {}

  /**
   * How easily somebody else could get the parts of a take: what is sold, by how many, at which prices. 404 where there is
   * no such take.
   */
  async of(outfitId: string, takeId: string): Promise<Replicability> {
    const outfit = await this.rosters.outfit(outfitId)
    const take = outfit.takes.find(({ id }) => id === takeId)
    if (!take) throw notFound('take', takeId)
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts: outfit.parts, prints: outfit.prints })
    const wanted = new Map<string, number>()
    for (const { part } of take.placements) wanted.set(part, (wanted.get(part) ?? 0) + 1)
    return replicability(
      await Promise.all(
        [...wanted].map(([code, qty]) => this.supplyOf(code, partLabel(catalogue, catalogue.parts.get(code)!), qty)),
      ),
    )
  }

  private async supplyOf(code: string, name: string, qty: number): Promise<PartSupply> {
    const [offers, { figureCount, releaseCount }] = await Promise.all([
      this.market.bringers(await this.carriers.things(code)),
      this.carriers.of(code),
    ])
    const lowest = new Map<string, number>()
    for (const { kind, code: sold, sellerName, price } of offers)
      if (kind === 'part' && sold === code) lowest.set(sellerName, Math.min(price, lowest.get(sellerName) ?? Infinity))
    return {
      name,
      qty,
      sellers: [...new Set(offers.map(({ sellerName }) => sellerName))].sort(),
      prices: [...lowest.values()],
      carriers: figureCount + releaseCount,
    }
  }
}

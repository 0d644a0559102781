import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { catalogueOf, type Catalogue } from '@outfit/core/catalogue'
import { groupBy } from '@outfit/core/base'
import { freeIn, takenBy } from '@outfit/core/allotment'
import { isAccepted, pinsOf } from '@outfit/core/fitting'
import type { PinSummary } from '@outfit/core/shelf'
import { Changes } from '../base/changes.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { AcceptedPinEntity } from '../schema/roster.ts'
import { stickersOn } from '../roster/stickers.ts'
import { companiesOf, type Share } from '../allotment/sharesService.ts'

/** Pins of whole rosters, by the same rules as on the bench. */
@Injectable()
export class PinsService {
  /** Colours, moulds and parts known so far; begun anew after a change of the catalogue, since rules remember by it. */
  private readonly begin: () => Promise<{ catalogue: Catalogue; unmade: ReadonlySet<string> }>
  private known: { begun: object; catalogue: Catalogue } | null = null

  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly briefs: BriefService,
    changes: Changes,
  ) {
    this.begin = changes.keeping(['catalogue', 'drawer', 'market'], async () => {
      const { colours, moulds, unmade } = await this.catalogue.basics()
      return { catalogue: catalogueOf({ colours, moulds, prints: [], parts: [] }), unmade: new Set(unmade) }
    })
  }

  /** Pins of each outfit's chosen take that nobody accepted, by outfit, problems first. */
  async of(shares: readonly Share[]): Promise<Map<string, PinSummary[]>> {
    const worn = shares.flatMap(({ placements }) => placements)
    const codes = [
      ...worn.map(({ part }) => part),
      // Donors' torsos may be at risk.
      ...shares.flatMap(({ drawer }) => drawer.donors.flatMap(({ pieces }) => pieces.map(({ part }) => part))),
      ...(await this.catalogue.lookalikes(worn)),
    ]
    const [{ catalogue, unmade }, lowest, rows] = await Promise.all([
      this.withParts(codes, stickersOn(worn)),
      this.market.lowest(),
      this.database.getRepository(AcceptedPinEntity).find(),
    ])
    const accepted = groupBy(rows, ({ take }) => take)
    const prices = Object.fromEntries([...catalogue.parts.keys()].map((code) => [code, lowest.get(code) ?? null]))
    const [taken, company] = [takenBy(shares), companiesOf(shares)]
    const pins = new Map<string, PinSummary[]>()
    for (const share of shares) {
      const { outfit, take, placements, rules, drawer } = share
      const { brief } = this.briefs.from(share.brief, outfit)
      const found = pinsOf(placements, {
        catalogue,
        unmade,
        brief,
        rules,
        drawer,
        free: freeIn(drawer, rules.takingApart),
        taken: taken(
          share,
          placements.map(({ part }) => part),
        ),
        excluded: new Set(await this.briefs.onlyFrom(rules.excluded)),
        company: company(share),
        lowest: prices,
      })
      const own = accepted.get(take?.id ?? '') ?? []
      pins.set(
        outfit.id,
        found
          .filter((pin) => !isAccepted(pin, own))
          .map(({ severity, title, detail }) => ({ severity, title, detail })),
      )
    }
    return pins
  }

  /** The catalogue with some parts, the assemblies they are sold in, and all that was asked for before. */
  private async withParts(
    codes: readonly string[],
    stickers: readonly string[],
  ): Promise<{ catalogue: Catalogue; unmade: ReadonlySet<string> }> {
    const begun = await this.begin()
    const catalogue = this.known?.begun === begun ? this.known.catalogue : begun.catalogue
    const more = [...new Set(codes)].filter((code) => !catalogue.parts.has(code))
    const unknown = stickers.filter((code) => !catalogue.prints.has(code))
    if (more.length + unknown.length === 0) return { catalogue, unmade: begun.unmade }
    const parts = await this.catalogue.parts([...more, ...(await this.catalogue.assembliesWith(more))])
    const prints = await this.catalogue.printsOn(parts, unknown)
    const grown: Catalogue = {
      ...catalogue,
      parts: new Map([...catalogue.parts, ...parts.map((part) => [part.code, part] as const)]),
      prints: new Map([...catalogue.prints, ...prints.map((print) => [print.code, print] as const)]),
    }
    this.known = { begun, catalogue: grown }
    return { catalogue: grown, unmade: begun.unmade }
  }
}

import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { catalogueOf, type Catalogue } from '@outfit/core/catalogue'
import { groupBy } from '@outfit/core/base'
import { freeIn, takenBy } from '@outfit/core/allotment'
import { isAccepted, pinsOf, type Pin } from '@outfit/core/fitting'
import type { PinSummary } from '@outfit/core/shelf'
import { Changes } from '../base/changes.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { AcceptedPinEntity } from '../schema/roster.ts'
import { stickersOn } from '../roster/stickers.ts'
import { companiesOf, type Share } from '../allotment/sharesService.ts'

/** Pins of an outfit with all they were found by: what is the same object, and the rest written out. */
interface Found {
  by: readonly object[]
  key: string
  pins: readonly Omit<Pin, 'remedies'>[]
}

/** Pins of whole rosters, by the same rules as on the bench. */
@Injectable()
export class PinsService {
  /** Colours, moulds and parts known so far; begun anew after a change of the catalogue, since rules remember by it. */
  private readonly begin: () => Promise<{ catalogue: Catalogue; unmade: ReadonlySet<string> }>
  private known: { begun: object; catalogue: Catalogue } | null = null
  /** What was found last, by outfit: most changes concern a few of them. */
  private found = new Map<string, Found>()

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
    const found = new Map<string, Found>()
    const rosters = new Map<string, string>()
    const onlyFrom = new Map<string, readonly string[]>()
    for (const share of shares) {
      const { outfit, take, placements, rules, drawer, roster } = share
      const { brief } = this.briefs.from(share.brief, outfit)
      const context = {
        brief,
        rules,
        taken: taken(
          share,
          placements.map(({ part }) => part),
        ),
        company: company(share),
      }
      const things = JSON.stringify(rules.excluded)
      const excluded = onlyFrom.get(things) ?? (await this.briefs.onlyFrom(rules.excluded))
      onlyFrom.set(things, excluded)
      // Everybody of the roster with what they wear, written once for all of them.
      const { self, others } = context.company
      const everybody = rosters.get(roster.id) ?? JSON.stringify([{ ...self, placements }, ...others])
      rosters.set(roster.id, everybody)
      const key = JSON.stringify([placements, { ...context, company: null }, excluded]) + everybody
      const same = [catalogue, unmade, lowest, drawer]
      const before = this.found.get(outfit.id)
      const now =
        before?.key === key && same.every((one, i) => one === before.by[i])
          ? before
          : {
              by: same,
              key,
              pins: pinsOf(placements, {
                ...context,
                catalogue,
                unmade,
                drawer,
                free: freeIn(drawer, rules.takingApart),
                excluded: new Set(excluded),
                lowest: prices,
              }).map(({ rule, slots, severity, title, detail }) => ({ rule, slots, severity, title, detail })),
            }
      found.set(outfit.id, now)
      const own = accepted.get(take?.id ?? '') ?? []
      pins.set(
        outfit.id,
        now.pins
          .filter((pin) => !isAccepted(pin, own))
          .map(({ severity, title, detail }) => ({ severity, title, detail })),
      )
    }
    this.found = found
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

import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { catalogueOf, type Catalogue } from '@outfit/core/catalogue'
import { groupBy } from '@outfit/core/base'
import { freeIn, takenBy } from '@outfit/core/allotment'
import { isAccepted, pinsOf, type FittingContext, type Pin } from '@outfit/core/fitting'
import type { PinSummary } from '@outfit/core/shelf'
import { breathing } from '../base/breathe.ts'
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
  private readonly begin: () => Promise<Catalogue>
  /** Parts nobody ever made; the same set as long as they are the same. */
  private readonly unmade: () => Promise<ReadonlySet<string>>
  private lastUnmade: ReadonlySet<string> | null = null
  private known: { begun: object; catalogue: Catalogue; lowest: ReadonlyMap<string, number> } | null = null
  private priced: {
    catalogue: Catalogue
    lowest: ReadonlyMap<string, number>
    prices: Record<string, number | null>
  } | null = null
  /** What was found last, by outfit: most changes concern a few of them. */
  private found = new Map<string, Found>()

  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly briefs: BriefService,
    changes: Changes,
  ) {
    this.begin = changes.keeping(['catalogue'], async () => {
      const { colours, moulds } = await this.catalogue.basics()
      return catalogueOf({ colours, moulds, prints: [], parts: [] })
    })
    this.unmade = changes.keeping(['catalogue', 'drawer', 'market'], async () => {
      const codes = await this.catalogue.unmade()
      const same = this.lastUnmade?.size === codes.length && codes.every((code) => this.lastUnmade!.has(code))
      return same ? this.lastUnmade! : (this.lastUnmade = new Set(codes))
    })
  }

  /**
   * Pins of each outfit's chosen take that nobody accepted, by outfit, problems first; `shares` are all there are, since rules
   * look at the others too, `wanted` those whose pins are told.
   */
  async of(shares: readonly Share[], wanted = shares): Promise<Map<string, PinSummary[]>> {
    const [contextOf, rows] = await Promise.all([
      this.contexts(shares, wanted),
      this.database.getRepository(AcceptedPinEntity).find(),
    ])
    const accepted = groupBy(rows, ({ take }) => take)
    const pins = new Map<string, PinSummary[]>()
    const found = wanted === shares ? new Map<string, Found>() : this.found
    const rosters = new Map<string, string>()
    const told = ({ rule, slots, severity, title, detail }: Pin) => ({ rule, slots, severity, title, detail })
    const breath = breathing()
    for (const share of wanted) {
      await breath()
      const { outfit, take, placements, roster } = share
      const context = contextOf(share)
      const { catalogue, unmade, lowest, drawer, brief, rules, taken, company, excluded } = context
      // Everybody of the roster with what they wear, written once for all of them.
      const { self, others } = company
      const everybody = rosters.get(roster.id) ?? JSON.stringify([{ ...self, placements }, ...others])
      rosters.set(roster.id, everybody)
      const key = JSON.stringify([placements, { brief, rules, taken }, [...excluded]]) + everybody
      const same = [catalogue, unmade, lowest, drawer]
      const before = this.found.get(outfit.id)
      const now =
        before?.key === key && same.every((one, i) => one === before.by[i])
          ? before
          : {
              by: same,
              key,
              pins: pinsOf(placements, context).map(told),
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

  /**
   * What the rules ask beside the placements of an outfit, for some of all there are; `more` are codes of parts the caller
   * will ask about, which the catalogue of all contexts knows then.
   */
  async contexts(
    shares: readonly Share[],
    wanted: readonly Share[],
    more: readonly string[] = [],
  ): Promise<(share: Share) => Required<Omit<FittingContext, 'places'>>> {
    const worn = shares.flatMap(({ placements }) => placements)
    const codes = [
      ...worn.map(({ part }) => part),
      // Donors' torsos may be at risk.
      ...shares.flatMap(({ drawer }) => drawer.donors.flatMap(({ pieces }) => pieces.map(({ part }) => part))),
      ...(await this.catalogue.lookalikes(wanted.flatMap(({ placements }) => placements))),
    ]
    const [kept, lowest] = await Promise.all([this.withParts(codes, stickersOn(worn), true), this.market.lowest()])
    // What is asked about in passing makes nothing that shelves found be looked for anew.
    const { catalogue, unmade } = more.length > 0 ? await this.withParts(more, [], false) : kept
    const prices = this.pricesOf(catalogue, lowest, catalogue === kept.catalogue)
    const [taken, company] = [takenBy(shares), companiesOf(shares)]
    const onlyFrom = new Map<string, readonly string[]>()
    for (const { rules } of wanted) {
      const things = JSON.stringify(rules.excluded)
      if (!onlyFrom.has(things)) onlyFrom.set(things, await this.briefs.onlyFrom(rules.excluded))
    }
    return (share) => {
      const { outfit, placements, rules, drawer } = share
      return {
        brief: this.briefs.from(share.brief, outfit).brief,
        rules,
        taken: taken(share, [...placements.map(({ part }) => part), ...more]),
        company: company(share),
        catalogue,
        unmade,
        drawer,
        free: freeIn(drawer, rules.takingApart),
        excluded: new Set(onlyFrom.get(JSON.stringify(rules.excluded))),
        lowest: prices,
      }
    }
  }

  /** Lowest prices of a catalogue's parts: the same object for the same prices, since what was found is known again by it. */
  private pricesOf(
    catalogue: Catalogue,
    lowest: ReadonlyMap<string, number>,
    keep: boolean,
  ): Record<string, number | null> {
    const { priced } = this
    if (priced && priced.catalogue === catalogue && priced.lowest === lowest) return priced.prices
    const prices = Object.fromEntries([...catalogue.parts.keys()].map((code) => [code, lowest.get(code) ?? null]))
    if (keep) this.priced = { catalogue, lowest, prices }
    return prices
  }

  /** The catalogue with some parts, the assemblies they are sold in, and all that was asked for before. */
  private async withParts(
    codes: readonly string[],
    stickers: readonly string[],
    keep: boolean,
  ): Promise<{ catalogue: Catalogue; unmade: ReadonlySet<string> }> {
    const [begun, unmade, lowest] = await Promise.all([this.begin(), this.unmade(), this.market.lowest()])
    const before = this.known?.begun === begun ? this.known : null
    const catalogue = before?.catalogue ?? begun
    const asked = [...new Set(codes)]
    const more = asked.filter((code) => !catalogue.parts.has(code))
    const unknown = stickers.filter((code) => !catalogue.prints.has(code))
    // Other prices make others the cheapest of what some parts are sold in.
    const sought = before?.lowest === lowest ? more : asked
    if (sought.length + unknown.length === 0) return { catalogue, unmade }
    const assemblies = (await this.market.assembliesFor(sought, [...catalogue.parts.keys()])).flatMap(({ code }) =>
      catalogue.parts.has(code) ? [] : [code],
    )
    if (more.length + unknown.length + assemblies.length === 0) {
      if (keep) this.known = { begun, catalogue, lowest }
      return { catalogue, unmade }
    }
    const parts = await this.catalogue.parts([...more, ...assemblies])
    const prints = await this.catalogue.printsOn(parts, unknown)
    const grown: Catalogue = {
      ...catalogue,
      parts: new Map([...catalogue.parts, ...parts.map((part) => [part.code, part] as const)]),
      prints: new Map([...catalogue.prints, ...prints.map((print) => [print.code, print] as const)]),
    }
    if (keep) this.known = { begun, catalogue: grown, lowest }
    return { catalogue: grown, unmade }
  }
}

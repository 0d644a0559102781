import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { groupBy } from '@outfit/core/base'
import { mouldOf, type Part } from '@outfit/core/catalogue'
import { COMPANIONS_OF, goesWith } from '@outfit/core/parts'
import {
  inStock,
  borrowedFrom,
  officialsFor,
  unalteredAmong,
  Mine,
  partsIn,
  stockOf,
  type Gainer,
  type OfficialTold,
  type MinedCrowd,
  type MinedPart,
  type MinedRelease,
  type Miner,
} from '@outfit/core/uses'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { CaseContentEntity, FigureEntity, ReleaseContentEntity, ReleaseEntity } from '../schema/catalogue.ts'
import { SellerEntity } from '../schema/market.ts'
import { PinsService } from '../shelf/pinsService.ts'

/** Of each part the outfits told, and the owned parts that suit it. */
const MOST_USES = 3
const MOST_MATCHES = 2
/** From this score on two parts are as if made for each other (core/parts, goesWith). */
const MADE_FOR = 0.85
/** Outfits that are a crowd; boxes looked at. */
const CROWD = 3
const MOST_BOXES = 6
const MOST_OFFICIALS = 12
/** Parts of a figure told that would do something for somebody. */
const MOST_BORROWED = 3
/** Things of a list looked through; what is beyond is counted. */
const MOST_NEWS = 120

/** What is in a box: pieces with their counts, everything that can be worn of it, and of a case how many packs it is. */
interface Contents {
  stock: Map<string, number>
  parts: Part[]
  packs: number
}

/** A release looked through: what each of its parts, and so many boxes of it, would do for all outfits there are. */
@Injectable()
export class MineService {
  constructor(
    private readonly database: DataSource,
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly briefs: BriefService,
    private readonly pins: PinsService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
  ) {}

  /** @throws Problem 404 where there is no such release. */
  async of(code: string): Promise<MinedRelease> {
    const release = await this.database.getRepository(ReleaseEntity).findOneBy({ code })
    if (!release) throw notFound('release', code)
    const { name, kind, year } = release
    const [contents, figures] = await Promise.all([this.contentsOf(code), this.figuresIn(code)])
    return this.mined({ code, name, kind, year }, contents, figures, `release ${code}`)
  }

  /**
   * What a seller's newest quote sheet has that none before it had, as if one of each were bought: whom it lifts, what it
   * goes with, whom it replaces. Empty where it is the first there is. 404 for a seller there is none of.
   */
  async newsOf(code: string): Promise<MinedRelease> {
    const seller = await this.database.getRepository(SellerEntity).findOneBy({ code })
    if (!seller) throw notFound('seller', code)
    const things = (await this.database.query(
      `SELECT kind, code, MIN(date) AS first FROM quote WHERE seller = ? GROUP BY kind, code
       HAVING first = (SELECT MAX(date) FROM quote_sheet WHERE seller = ?)
          AND first > (SELECT MIN(date) FROM quote_sheet WHERE seller = ?)`,
      [code, code, code],
    )) as { kind: 'part' | 'figure' | 'release'; code: string; first: string }[]
    // Figures first: they may be somebody who was planned.
    things.sort((a, b) => Number(b.kind === 'figure') - Number(a.kind === 'figure') || (a.code < b.code ? -1 : 1))
    const looked = things.slice(0, MOST_NEWS)
    const yields = await this.catalogue.yields(looked)
    const units = looked.flatMap((thing) => yields.get(`${thing.kind} ${thing.code}`)?.units ?? [])
    const stock = stockOf(units)
    const pieces = [...stock.keys()]
    const known = await this.catalogue.parts([...pieces, ...(await this.catalogue.assembliesWith(pieces))])
    const figures = looked.flatMap((thing) => (thing.kind === 'figure' ? [thing.code] : []))
    const about = { code, name: seller.name, kind: 'quote sheet', year: Number((things[0]?.first ?? '0').slice(0, 4)) }
    const told = await this.mined(about, { stock, parts: partsIn(units, known), packs: 0 }, figures, null)
    return { ...told, passed: things.length - looked.length }
  }

  private async mined(
    release: MinedRelease['release'],
    { stock, parts, packs }: Contents,
    figures: readonly string[],
    sold: string | null,
  ): Promise<MinedRelease> {
    const [shares, owned, lowest, cheapest] = await Promise.all([
      this.shares.all(),
      this.drawer.onHand(),
      this.market.lowest(),
      this.market.cheapest(),
    ])
    const byId = new Map(shares.map((share) => [share.outfit.id, share]))
    const { mine, asked } = await this.mineOf(parts, stock, shares)
    const price = sold === null ? undefined : cheapest.get(sold)
    const gainer = (id: string, { before, after }: { before: number; after: number }): Gainer => {
      const { name, roster } = byId.get(id)!
      return { outfit: id, name, roster: { id: roster.id, name: roster.name }, before, after }
    }
    const fits = await this.matches(parts, owned)
    const mined = parts.map((part, n): MinedPart => {
      const uses = mine.usesOf(n)
      return {
        part: part.code,
        qty: inStock(part, stock),
        owned: owned.get(part.code) ?? 0,
        lowest: lowest.get(part.code) ?? null,
        found: uses.length,
        gain: uses.reduce((sum, { use }) => sum + use.after - use.before, 0),
        best: uses.slice(0, MOST_USES).map(({ miner, use }) => ({
          ...gainer(miner.id, use),
          ...{ way: use.way.label, worn: [...miner.placements], placements: use.placements },
        })),
        goesWith: fits.get(part.code) ?? [],
      }
    })
    mined.sort((a, b) => b.gain - a.gain || Number(a.owned > 0) - Number(b.owned > 0) || (a.part < b.part ? -1 : 1))
    const crowds = mine.crowds(CROWD).flatMap(({ part, way, frees, members }): MinedCrowd[] => {
      const own = parts.find((one) => one.code === part)!
      const rosters = groupBy(members, ({ id }) => byId.get(id)!.roster.id)
      return [...rosters.values()].flatMap((list) => {
        if (list.length < CROWD) return []
        const { roster } = byId.get(list[0]!.id)!
        const singly = lowest.get(part)
        return {
          ...{ roster: { id: roster.id, name: roster.name }, part, frees },
          way: { key: way.key, label: way.label },
          members: list.map(({ id, use }) => gainer(id, use)),
          boxes: Math.ceil(list.length / inStock(own, stock)),
          singly: singly === undefined ? null : singly * list.length,
        }
      })
    })
    const { deals: found, goesOn } = mine.deals(MOST_BOXES)
    const deals = found.map(({ boxes, gain, dressed, left }) => ({
      ...{ boxes, gain },
      dressed: dressed.map(({ id, pieces, placements, ...more }) => ({
        ...gainer(id, more),
        ...{ pieces, worn: byId.get(id)!.placements, placements: [...placements] },
      })),
      left: [...left].flatMap(([part, qty]) => (qty > 0 ? { part, qty } : [])),
    }))
    const { officials, unaltered } = await this.insteadOf(figures, parts, shares, cheapest)
    const shown = [
      ...mined.flatMap(({ best }) => best),
      ...deals.flatMap(({ dressed }) => dressed),
      ...officials,
    ].flatMap(({ worn, placements }) => [...worn, ...placements])
    const drawn = await this.catalogue.parts([
      ...parts.map((part) => part.code),
      ...shown.map(({ part }) => part),
      ...mined.flatMap((one) => one.goesWith.map(({ part }) => part)),
      ...crowds.flatMap(({ frees }) => frees),
      ...unaltered.map(({ part }) => part),
    ])
    return {
      release,
      ...{
        isCase: packs > 0,
        price: price === undefined ? null : price * Math.max(1, packs),
        mined,
        crowds,
        deals,
        goesOn,
        asked,
        officials,
        unaltered,
        passed: 0,
      },
      parts: drawn,
      prints: await this.catalogue.printsOn(drawn, stickersOn(shown)),
    }
  }

  /** Figures in a release, also those its blind packs may bring. */
  private async figuresIn(release: string): Promise<string[]> {
    const [contents, cases] = await Promise.all([
      this.database.getRepository(ReleaseContentEntity).findBy({ release, kind: 'figure' }),
      this.database.getRepository(CaseContentEntity).findBy({ release }),
    ])
    return [...new Set([...contents.map(({ code }) => code), ...cases.map(({ figure }) => figure)])]
  }

  /** What it brings instead of what was planned or altered: figures for characters, parts for altered ones. */
  private async insteadOf(
    codes: readonly string[],
    parts: readonly Part[],
    shares: readonly Share[],
    cheapest: ReadonlyMap<string, number>,
  ): Promise<Pick<MinedRelease, 'officials' | 'unaltered'>> {
    const { worn } = await this.catalogue.dressed(codes)
    const named = await this.database.getRepository(FigureEntity).findBy({ code: In([...codes]) })
    const figures = named.map(({ code, name }) => ({
      ...{ code, name },
      placements: (worn.get(code) ?? []).map(({ figure: _figure, ...placement }) => placement),
    }))
    const all = [...new Set(figures.flatMap(({ placements }) => placements.map(({ part }) => part)))]
    const [anybody] = shares
    if (!anybody) return { officials: [], unaltered: [] }
    const { catalogue } = (await this.pins.contexts(shares, [], [...all, ...parts.map(({ code }) => code)]))(anybody)
    const planned = shares.map(({ outfit, character, placements, brief, rules }) => ({
      ...{ id: outfit.id, character: character.name, placements, base: outfit.base, level: rules.takingApart },
      brief: this.briefs.from(brief, outfit).brief,
    }))
    const byId = new Map(shares.map((share) => [share.outfit.id, share]))
    const rosterOf = (id: string) => {
      const { name, roster } = byId.get(id)!
      return { name, roster: { id: roster.id, name: roster.name } }
    }
    const officials = officialsFor(figures, planned, catalogue)
      .slice(0, MOST_OFFICIALS)
      .map((one): OfficialTold => {
        const { placements, take, outfit } = byId.get(one.outfit)!
        const figure = figures.find(({ code }) => code === one.figure)!
        return {
          ...{ ...one, ...rosterOf(one.outfit), take: { label: take?.label ?? '' }, version: outfit.version },
          ...{ figureName: figure.name, price: cheapest.get(`figure ${figure.code}`) ?? null },
          ...{ worn: placements, placements: figure.placements },
          borrow: borrowedFrom(
            figure,
            planned.find(({ id }) => id === one.outfit)!,
            catalogue,
          ).slice(0, MOST_BORROWED),
        }
      })
    const unaltered = unalteredAmong(parts, planned, catalogue).map((one) => ({ ...one, ...rosterOf(one.outfit) }))
    return { officials, unaltered }
  }

  /** Everybody with wishes, and how to try the parts on them. */
  private async mineOf(
    parts: readonly Part[],
    stock: ReadonlyMap<string, number>,
    shares: readonly Share[],
  ): Promise<{ mine: Mine; asked: number }> {
    const codes = parts.map(({ code }) => code)
    const [anybody] = shares
    const { catalogue } = anybody
      ? (await this.pins.contexts(shares, [], codes))(anybody)
      : await this.catalogue.matchable()
    const excluded = new Map<string, Promise<ReadonlySet<string>>>()
    const miners: Miner[] = []
    for (const { outfit, placements, rules, brief: own } of shares) {
      const { brief } = this.briefs.from(own, outfit)
      if (brief.wishes.length === 0) continue
      const key = JSON.stringify(rules.excluded)
      if (!excluded.has(key))
        excluded.set(
          key,
          this.briefs.onlyFrom(rules.excluded).then((list) => new Set(list)),
        )
      miners.push({ id: outfit.id, placements, brief, level: rules.takingApart, excluded: await excluded.get(key)! })
    }
    return { mine: new Mine(parts, stock, miners, catalogue), asked: miners.length }
  }

  /** What a box holds piece by piece; of blind packs what a full case does. */
  private async contentsOf(release: string): Promise<Contents> {
    const thing = { kind: 'release' as const, code: release }
    let units = [...(await this.catalogue.yields([thing])).values()].flatMap((one) => one.units)
    const cases = units.length > 0 ? [] : await this.database.getRepository(CaseContentEntity).findBy({ release })
    if (cases.length > 0) {
      const figures = cases.map(({ figure }) => ({ kind: 'figure' as const, code: figure }))
      const yields = await this.catalogue.yields(figures)
      units = cases.flatMap(({ figure, qty }) =>
        Array.from({ length: qty }, () => yields.get(`figure ${figure}`)!.units).flat(),
      )
    }
    const stock = stockOf(units)
    const pieces = [...stock.keys()]
    const known = await this.catalogue.parts([...pieces, ...(await this.catalogue.assembliesWith(pieces))])
    const packs = cases.reduce((sum, { qty }) => sum + qty, 0)
    return { stock, parts: partsIn(units, known), packs }
  }

  /** For each part that is new the owned ones it suits as if they were made for each other. */
  private async matches(
    parts: readonly Part[],
    owned: ReadonlyMap<string, number>,
  ): Promise<Map<string, MinedPart['goesWith']>> {
    const { catalogue, ofKind } = await this.catalogue.matchable()
    const ownedOf = new Map(
      [...ofKind].map(([kind, list]) => [kind, list.filter(({ code }) => (owned.get(code) ?? 0) > 0)]),
    )
    const prints = new Map((await this.catalogue.printsOn(parts)).map((print) => [print.code, print]))
    return new Map(
      parts
        .filter(({ code }) => !owned.get(code))
        .map((part) => {
          const companions = COMPANIONS_OF[mouldOf(catalogue, part).kind] ?? []
          const found = companions.flatMap((companion) =>
            goesWith(
              part,
              companion,
              companion.kinds.flatMap((kind) => ownedOf.get(kind) ?? []),
              catalogue,
              MOST_MATCHES,
              prints.get(part.print ?? ''),
            ),
          )
          const best = found.filter(({ score }) => score >= MADE_FOR).sort((a, b) => b.score - a.score)
          const told = best.slice(0, MOST_MATCHES).map((match) => ({ part: match.part.code, reasons: match.reasons }))
          return [part.code, told] as const
        }),
    )
  }
}

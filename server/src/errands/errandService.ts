import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { standsBuilt } from '@outfit/core/allotment'
import { catalogueOf, mainColour, type Catalogue } from '@outfit/core/catalogue'
import { gather, isCopy } from '@outfit/core/drawer'
import {
  errandId,
  mergeTicks,
  type Errand,
  type ErrandList,
  type ErrandStop,
  type TickChange,
  type TicksKept,
} from '@outfit/core/errands'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { BinService } from '../drawer/binService.ts'
import { MarketService } from '../market/marketService.ts'
import { ErrandTickEntity } from '../schema/errands.ts'
import { BinEntity } from '../schema/drawer.ts'
import { RosterEntity } from '../schema/roster.ts'
import { SourcingService } from '../sourcing/sourcingService.ts'
import { partSvg } from './partSvg.ts'

/** Parts wanted at a stop, with whom for. */
type Wanted = Map<string, { qty: number; forWhom: Set<string> }>

/** The lists one takes along for a roster: what to fetch from which bin, and what to look for at whose stall. */
@Injectable()
export class ErrandService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly bins: BinService,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly sourcing: SourcingService,
  ) {}

  /** What is to be fetched for the outfits of a roster that do not stand built. 404 for a roster there is none of. */
  async ofRoster(roster: string): Promise<ErrandList> {
    const found = await this.database.getRepository(RosterEntity).findOneBy({ id: roster })
    if (!found) throw notFound('roster', roster)
    const shares = (await this.shares.all()).filter((share) => share.roster.id === roster && !standsBuilt(share))
    const stops = [...(await this.toPick(shares)), ...(await this.toBuy(shares))]
    const catalogue = await this.catalogueOf(stops.flatMap(({ wanted }) => [...wanted.keys()]))
    return this.listed(
      { kind: 'roster', id: roster, name: found.name },
      stops.map((stop) => told(stop, catalogue)),
      catalogue,
    )
  }

  /** What a plan buys, stall by stall. 404 for a plan there is none of. */
  async ofPlan(job: string): Promise<ErrandList> {
    const { plan, problem, things, name } = await this.sourcing.report(job)
    const catalogue = await this.catalogueOf(Object.values(things).map(({ code }) => code))
    const stops = plan.baskets.map(({ seller, lines }): ErrandStop => {
      const stop = { kind: 'seller' as const, code: seller }
      const errands = lines.map(({ offer, qty }): Errand => {
        const thing = things[offer]
        const part = catalogue.parts.get(thing?.code ?? '')
        return {
          ...{
            id: errandId(stop, offer),
            part: thing?.code ?? offer,
            name: part?.name ?? thing?.name ?? offer,
            qty,
            forWhom: [],
          },
          colour: [part && mainColour(catalogue, part)?.name, thing?.condition].filter(Boolean).join(', '),
          price: problem.offers.find(({ id }) => id === offer)?.price ?? null,
        }
      })
      return { ...stop, name: problem.sellers.find(({ id }) => id === seller)?.name ?? seller, errands }
    })
    return this.listed({ kind: 'plan', id: job, name: name ?? 'a plan' }, stops, catalogue)
  }

  private async catalogueOf(codes: readonly string[]): Promise<Catalogue> {
    const parts = await this.catalogue.parts([...new Set(codes)])
    const prints = await this.catalogue.printsOn(parts)
    return catalogueOf({ ...(await this.catalogue.basics()), parts, prints })
  }

  private async listed(of: ErrandList['of'], stops: ErrandStop[], catalogue: Catalogue): Promise<ErrandList> {
    const ticks = await this.database.getRepository(ErrandTickEntity).findBy({ list: of.id })
    const codes = new Set(stops.flatMap(({ errands }) => errands.map(({ part }) => part)))
    return {
      of,
      stops,
      ticks: ticks.map(({ id, got, at }) => ({ id, got, at })),
      pictures: Object.fromEntries(
        [...codes].flatMap((code) => {
          const part = catalogue.parts.get(code)
          return part ? [[code, partSvg(part, catalogue)]] : []
        }),
      ),
    }
  }

  /** What is owned: by bin in the order one walks along them, so that few have to be opened; then off donors. */
  private async toPick(shares: readonly Share[]) {
    const loose: Wanted = new Map()
    const donors = new Map<string, Wanted>()
    for (const { name, placements, sources, standing } of shares) {
      const left = { ...standing }
      for (const [i, { part }] of placements.entries()) {
        const source = sources[i]
        if (!source || source.elsewhere) continue
        if (source.donor !== null) {
          const off = donors.get(source.donor) ?? new Map()
          donors.set(source.donor, want(off, part, name))
        } else if ((left[part] ?? 0) > 0) left[part]!--
        else want(loose, part, name)
      }
    }
    const db = this.database.manager
    const [lying, bins] = await Promise.all([
      this.bins.looseOf(db, [...loose.keys()]),
      db.find(BinEntity, { order: { code: 'ASC' } }),
    ])
    const { stops } = gather(Object.fromEntries([...loose].map(([part, { qty }]) => [part, qty])), lying, bins)
    const nameOf = (code: string) => bins.find((bin) => bin.code === code)?.name ?? code
    return [
      ...stops.map(({ bin, parts }) => ({
        ...{ kind: 'bin' as const, code: bin, name: nameOf(bin), prices: NOTHING },
        wanted: new Map(parts.map(({ part, qty }) => [part, { qty, forWhom: loose.get(part)!.forWhom }])),
      })),
      ...[...donors].map(([code, wanted]) => ({
        ...{ kind: 'donor' as const, code, name: nameOf(code), prices: NOTHING, wanted },
      })),
    ]
  }

  /** What is to be bought and not ordered, with whoever asks least for one: at a stall there is no shipping. */
  private async toBuy(shares: readonly Share[]) {
    const wanted: Wanted = new Map()
    for (const { name, placements, sources, arriving } of shares)
      for (const [i, placement] of placements.entries())
        if (sources[i] === null && arriving[i] === null && !isCopy(placement)) want(wanted, placement.part, name)
    const least = await this.market.leastAsked([...wanted.keys()])
    const sellers = new Map<string, { name: string; wanted: Wanted; prices: Map<string, number> }>()
    for (const [part, one] of wanted) {
      const offer = least.get(part)
      const at = sellers.get(offer?.seller ?? '') ?? { name: offer?.name ?? '', wanted: new Map(), prices: new Map() }
      sellers.set(offer?.seller ?? '', at)
      at.wanted.set(part, one)
      if (offer) at.prices.set(part, offer.price)
    }
    return [...sellers]
      .sort(([a], [b]) => Number(a === '') - Number(b === '') || (a < b ? -1 : 1))
      .map(([code, one]) => ({ kind: code === '' ? ('anywhere' as const) : ('seller' as const), code, ...one }))
  }

  /** Keep what was ticked of a list on a device, which may have been away; what differs from what others said is told. */
  async tick(list: string, changes: readonly TickChange[]): Promise<TicksKept> {
    return this.writer.transaction(async (db) => {
      const merged = mergeTicks(await db.findBy(ErrandTickEntity, { list }), changes)
      const ticks = merged.ticks.map(({ id, got, at }) => ({ id, got, at }))
      for (const tick of ticks)
        if (changes.some(({ id }) => id === tick.id))
          await db.upsert(ErrandTickEntity, { list, ...tick }, ['list', 'id'])
      return { ...merged, ticks }
    })
  }

  /** Begin a list anew: nothing of it is ticked. */
  async untick(list: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(ErrandTickEntity, { list }))
  }
}

const NOTHING: ReadonlyMap<string, number> = new Map()

function want(wanted: Wanted, part: string, forWhom: string): Wanted {
  const one = wanted.get(part) ?? { qty: 0, forWhom: new Set() }
  one.qty++
  one.forWhom.add(forWhom)
  return wanted.set(part, one)
}

function told(
  {
    kind,
    code,
    name,
    wanted,
    prices,
  }: Pick<ErrandStop, 'kind' | 'code' | 'name'> & { wanted: Wanted; prices: ReadonlyMap<string, number> },
  catalogue: Catalogue,
): ErrandStop {
  const errands = [...wanted].map(([part, { qty, forWhom }]) => {
    const known = catalogue.parts.get(part)
    return {
      ...{ id: errandId({ kind, code }, part), part, qty, forWhom: [...forWhom], price: prices.get(part) ?? null },
      name: known?.name ?? part,
      colour: (known && mainColour(catalogue, known)?.name) ?? '',
    }
  })
  return { kind, code, name, errands: errands.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0)) }
}

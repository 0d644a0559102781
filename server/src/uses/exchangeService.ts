import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { freeIn } from '@outfit/core/allotment'
import { groupBy } from '@outfit/core/base'
import { exchangeOn, exchangeSum, waysToWear, type Exchange, type ExchangedFigure } from '@outfit/core/uses'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { RosterEntity } from '../schema/roster.ts'
import { PinsService } from '../shelf/pinsService.ts'

/** One part put on a whole roster, to be looked at before anybody wears it. */
@Injectable()
export class ExchangeService {
  constructor(
    private readonly database: DataSource,
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly briefs: BriefService,
    private readonly pins: PinsService,
    private readonly market: MarketService,
  ) {}

  /** @throws Problem 404 where there is no such roster, no such part, or no such way to wear it. */
  async of(id: string, code: string, asked: string | null): Promise<Exchange> {
    const shares = await this.shares.all()
    const own = shares.filter((share) => share.roster.id === id)
    const known = await this.catalogue.parts([code])
    const part = known.find((one) => one.code === code)
    if (!part) throw notFound('part', code)
    const roster = await this.database.getRepository(RosterEntity).findOneBy({ id })
    if (!roster) throw notFound('roster', id)
    const [first] = own
    const named = { roster: { id, name: roster.name }, part: code }
    if (!first) {
      const none = { ways: [], way: null, figures: [], wearing: [], barred: [], pieces: [] }
      return { ...named, ...none, parts: known, prints: await this.catalogue.printsOn(known) }
    }
    const codes = known.map((one) => one.code)
    const { catalogue } = (await this.pins.contexts(shares, [], codes))(first)
    const ways = new Map(
      own.flatMap(({ rules }) => waysToWear(part, catalogue, rules.takingApart).map((way) => [way.key, way] as const)),
    )
    if (asked !== null && !ways.has(asked)) throw notFound('way', asked)
    const excluding = await this.barredFrom(code, own)
    const tried = [...ways.keys()].map((way) => {
      const figures: ExchangedFigure[] = []
      const others: Record<'wearing' | 'barred', string[]> = { wearing: [], barred: [] }
      for (const share of own) {
        const { placements, rules, outfit, name } = share
        const { brief } = this.briefs.from(share.brief, outfit)
        const wearer = { placements, brief, level: rules.takingApart }
        const found = excluding.has(share) ? 'barred' : exchangeOn(part, way, wearer, catalogue)
        if (typeof found === 'string') {
          others[found].push(name)
          continue
        }
        const { frees, takes, ...more } = found
        figures.push({
          ...{ outfit: outfit.id, name, roster: named.roster, isBriefed: brief.wishes.length > 0, worn: placements },
          ...more,
          frees: frees.map((one) => one.part),
          takes: takes.map((one) => one.part),
        })
      }
      return { way, figures, ...others }
    })
    const gain = ({ figures }: (typeof tried)[number]) => exchangeSum(figures, []).gain
    const shownWay = tried.find(({ way }) => way === asked) ?? tried.toSorted((a, b) => gain(b) - gain(a))[0]
    const { way, figures, wearing, barred } = shownWay ?? {
      ...{ way: null, figures: [], wearing: [], barred: own.map(({ name }) => name) },
    }
    const lowest = await this.market.lowest()
    const free = own.map(({ drawer, rules }) => freeIn(drawer, rules.takingApart))
    const shown = figures.flatMap(({ worn, placements }) => [...worn, ...placements])
    const drawn = await this.catalogue.parts([code, ...shown.map((placement) => placement.part)])
    return {
      ...named,
      ways: [...ways.values()].map(({ key, label }) => ({ key, label })),
      ...{ way, figures, wearing, barred },
      // What lies free lies free for all of them: the most anybody may have is what there is.
      pieces: [...new Set(figures.flatMap(({ takes }) => takes))].map((piece) => ({
        part: piece,
        free: Math.max(0, ...free.map((one) => one[piece] ?? 0)),
        lowest: lowest.get(piece) ?? null,
      })),
      parts: drawn,
      prints: await this.catalogue.printsOn(drawn, stickersOn(shown)),
    }
  }

  /** Whoever may not wear a part by their house rules; what these name is looked up once. */
  private async barredFrom(code: string, shares: readonly Share[]): Promise<ReadonlySet<Share>> {
    const barred = new Set<Share>()
    for (const alike of groupBy(shares, ({ rules }) => JSON.stringify(rules.excluded)).values())
      if ((await this.briefs.onlyFrom(alike[0]!.rules.excluded)).includes(code))
        for (const share of alike) barred.add(share)
    return barred
  }
}

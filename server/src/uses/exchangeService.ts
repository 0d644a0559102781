import { Injectable } from '@nestjs/common'
import { freeIn } from '@outfit/core/allotment'
import { groupBy } from '@outfit/core/base'
import { exchangeOn, waysToWear, type Exchange, type ExchangedFigure } from '@outfit/core/uses'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { PinsService } from '../shelf/pinsService.ts'

/** One part put on a whole roster, to be looked at before anybody wears it. */
@Injectable()
export class ExchangeService {
  constructor(
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly briefs: BriefService,
    private readonly pins: PinsService,
    private readonly market: MarketService,
  ) {}

  /** @throws Problem 404 where there is no such roster with an outfit, no such part, or no such way to wear it. */
  async of(roster: string, code: string, asked: string | null): Promise<Exchange> {
    const shares = await this.shares.all()
    const own = shares.filter((share) => share.roster.id === roster)
    const [first] = own
    if (!first) throw notFound('roster', roster)
    const known = await this.catalogue.parts([code])
    const part = known.find((one) => one.code === code)
    if (!part) throw notFound('part', code)
    const ready = await this.pins.contexts(
      shares,
      [],
      known.map((one) => one.code),
    )
    const { catalogue } = ready(first)
    const ways = new Map(
      own.flatMap(({ rules }) => waysToWear(part, catalogue, rules.takingApart).map((way) => [way.key, way] as const)),
    )
    if (asked !== null && !ways.has(asked)) throw notFound('way', asked)
    const barred = await this.barredFrom(code, own)
    const tried = [...ways.keys()].map((way) => ({
      way,
      figures: own.flatMap((share): ExchangedFigure[] => {
        if (barred.has(share)) return []
        const { brief } = this.briefs.from(share.brief, share.outfit)
        const { placements, rules, outfit, name } = share
        const found = exchangeOn(part, way, { placements, brief, level: rules.takingApart }, catalogue)
        if (!found) return []
        const { frees, takes, ...more } = found
        return [
          {
            ...{ outfit: outfit.id, name, roster: { id: roster, name: share.roster.name } },
            ...{ isBriefed: brief.wishes.length > 0, worn: placements, ...more },
            frees: frees.map((one) => one.part),
            takes: takes.map((one) => one.part),
          },
        ]
      }),
    }))
    const gain = ({ figures }: (typeof tried)[number]) =>
      figures.reduce((sum, { before, after }) => sum + after - before, 0)
    const best = tried.toSorted((a, b) => gain(b) - gain(a))[0]
    const { way = null, figures = [] } = tried.find((one) => one.way === asked) ?? best ?? {}
    const changed = new Set(figures.map(({ outfit }) => outfit))
    const pieces = [...new Set(figures.flatMap(({ takes }) => takes))]
    const lowest = await this.market.lowest()
    const free = own.map(({ drawer, rules }) => freeIn(drawer, rules.takingApart))
    const shown = figures.flatMap(({ worn, placements }) => [...worn, ...placements])
    const drawn = await this.catalogue.parts([code, ...shown.map((placement) => placement.part)])
    const may = own.filter((share) => !barred.has(share))
    return {
      roster: { id: roster, name: first.roster.name },
      part: code,
      ways: [...ways.values()].map(({ key, label }) => ({ key, label })),
      way,
      figures,
      wearing: may.filter(({ outfit }) => !changed.has(outfit.id)).map(({ name }) => name),
      barred: [...barred].map(({ name }) => name),
      // What lies free lies free for all of them: the most anybody may have is what there is.
      pieces: pieces.map((piece) => ({
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

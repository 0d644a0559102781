import { Injectable } from '@nestjs/common'
import { freeIn } from '@outfit/core/allotment'
import { pinKey, pinsOf, type Pin } from '@outfit/core/fitting'
import { useOf, type PartUse, type PartUses, type Use } from '@outfit/core/uses'
import { notFound } from '../base/problem.ts'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { PinsService } from '../shelf/pinsService.ts'

/** Uses told at most, the best. */
const MOST = 24

/** The other way round than casting: of all outfits those that one part would make more like their briefs. */
@Injectable()
export class UsesService {
  constructor(
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly briefs: BriefService,
    private readonly pins: PinsService,
  ) {}

  /** @throws Problem 404 where there is no such part. */
  async of(code: string): Promise<PartUses> {
    const own = await this.catalogue.parts([code])
    const part = own.find((one) => one.code === code)
    if (!part) throw notFound('part', code)
    const shares = await this.shares.all()
    const known = own.map((one) => one.code)
    // What everybody wears is known already to those who look at pins.
    const [anybody] = shares
    const ready = await this.pins.contexts(shares, [], known)
    const catalogue = anybody && ready(anybody).catalogue
    const wears = new Set([code, ...part.components.map((component) => component.part)])
    const excluded = new Map<string, Promise<boolean>>()
    const mayNotWear = ({ rules }: Share) => {
      const key = JSON.stringify(rules.excluded)
      const known = excluded.get(key) ?? this.briefs.onlyFrom(rules.excluded).then((codes) => codes.includes(code))
      excluded.set(key, known)
      return known
    }
    const found: { share: Share; use: Use }[] = []
    let asked = 0
    for (const share of shares) {
      const { brief } = this.briefs.from(share.brief, share.outfit)
      if (brief.wishes.length === 0 || !catalogue) continue
      asked += 1
      // What it may not wear is no use to it.
      if (await mayNotWear(share)) continue
      const use = useOf(part, { placements: share.placements, brief, level: share.rules.takingApart }, catalogue)
      if (use) found.push({ share, use })
    }
    found.sort((a, b) => b.use.after - b.use.before - (a.use.after - a.use.before) || b.use.after - a.use.after)
    // Rules are asked of the best alone: what they look at takes longer to fetch than all of likeness.
    const best = found.slice(0, MOST)
    const contextOf = await this.pins.contexts(
      shares,
      best.map(({ share }) => share),
      known,
    )
    const uses = best.map(({ share, use }) => told(share, use, code, contextOf(share)))
    const shown = uses.flatMap(({ worn, placements }) => [...worn, ...placements])
    const drawn = await this.catalogue.parts([code, ...shown.map((placement) => placement.part)])
    return {
      part: code,
      uses,
      asked,
      found: found.length,
      wornBy: shares.filter(({ placements }) => placements.some((placement) => wears.has(placement.part))).length,
      parts: drawn,
      prints: await this.catalogue.printsOn(drawn, stickersOn(shown)),
    }
  }
}

function told(share: Share, use: Use, code: string, context: Parameters<typeof pinsOf>[1]): PartUse {
  const { outfit, name, roster, take, placements, drawer, rules } = share
  const [now, then] = [pinsOf(placements, context), pinsOf(use.placements, context)]
  const titles = (list: readonly Pin[], other: readonly Pin[]) => {
    const keys = new Set(other.map(pinKey))
    return list.filter((pin) => !keys.has(pinKey(pin))).map(({ title }) => title)
  }
  return {
    outfit: outfit.id,
    name,
    roster: { id: roster.id, name: roster.name },
    take: { id: take?.id ?? '', label: take?.label ?? '' },
    version: outfit.version,
    way: use.way.label,
    before: use.before,
    after: use.after,
    worn: placements,
    placements: use.placements,
    free: freeIn(drawer, rules.takingApart)[code] ?? 0,
    frees: use.frees.map(({ part }) => part),
    mends: titles(now, then),
    brings: titles(then, now),
  }
}

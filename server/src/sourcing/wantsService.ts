import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { catalogueOf, type Level } from '@outfit/core/catalogue'
import { apartByComing, takeFrom } from '@outfit/core/allotment'
import { houseRulesOf } from '@outfit/core/roster'
import { secondChoices, type SecondChoices } from '@outfit/core/sourcing'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { PartEntity } from '../schema/catalogue.ts'
import { RosterEntity } from '../schema/roster.ts'
import { RosterService } from '../roster/rosterService.ts'
import { SharesService } from '../allotment/sharesService.ts'

/** What some outfits wear, and what of it need not be bought. */
export interface Wants {
  name: string
  outfits: { id: string; name: string }[]
  take: string | null
  label: string | null
  roster: string | null
  currency: string
  takingApart: Level
  /** Parts worn, one entry each. */
  wanted: string[]
  /** Of those, what the drawer gives or a parcel brings. */
  given: Map<string, number>
  /** Outfits that lack each part, and how many. */
  wantedBy: Record<string, { name: string; qty: number }[]>
}

/** What outfits still need. */
@Injectable()
export class WantsService {
  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly rosters: RosterService,
    private readonly shares: SharesService,
  ) {}

  /** Of one take of an outfit; the chosen one unless another is named. */
  async ofTake(outfitId: string, takeId?: string): Promise<Wants> {
    const outfit = await this.rosters.outfit(outfitId)
    const take = takeId
      ? outfit.takes.find((t) => t.id === takeId)
      : (outfit.takes.find((t) => t.chosen) ?? outfit.takes[0])
    if (!take) throw notFound('take', takeId ?? 'of this outfit')
    const rules = houseRulesOf(outfit.roster.rules, outfit.roster.switches, outfit.switches)
    const wants: Wants = {
      name: outfit.name,
      outfits: [{ id: outfit.id, name: outfit.name }],
      take: take.id,
      label: take.label,
      roster: outfit.roster.id,
      currency: outfit.roster.currency,
      takingApart: rules.takingApart,
      wanted: [],
      given: new Map(),
      wantedBy: {},
    }
    // What the drawer gives this take, donors taken apart no further than the house rules say.
    const { sources } = takeFrom(outfit.drawer, take.placements, rules.takingApart)
    const missing = take.placements.filter((_, i) => sources[i] === null)
    // What comes in a parcel already is not bought again.
    const { coming } = apartByComing(missing, outfit.arriving)
    take.placements.forEach((placement, i) => {
      const source = sources[i]
      if (!source?.elsewhere) want(wants, outfit.name, placement.part, Boolean(source) || coming.includes(placement))
    })
    return wants
  }

  /** Of several outfits, or all of a roster: each with its chosen take and its share of the drawer. */
  async ofOutfits(which: { outfits: readonly string[] } | { roster: string }): Promise<Wants> {
    const shares = await this.shares.all()
    const chosen = shares.filter(({ outfit, roster }) =>
      'roster' in which ? roster.id === which.roster : which.outfits.includes(outfit.id),
    )
    if ('outfits' in which)
      for (const id of which.outfits) if (!chosen.some(({ outfit }) => outfit.id === id)) throw notFound('outfit', id)
    const [first] = chosen
    if (!first) throw notFound('roster', 'roster' in which ? which.roster : 'of no outfit')
    const one = chosen.every(({ roster }) => roster.id === first.roster.id)
    const wants: Wants = {
      name: one ? first.roster.name : 'several rosters',
      outfits: chosen.map(({ outfit, name }) => ({ id: outfit.id, name })),
      take: null,
      label: null,
      roster: one ? first.roster.id : null,
      currency: first.roster.currency,
      // Of several house rules the strictest holds, since a figure bought for one outfit may serve another.
      takingApart: chosen.reduce<Level>(
        (least, { rules }) => (rules.takingApart < least ? rules.takingApart : least),
        4,
      ),
      wanted: [],
      given: new Map(),
      wantedBy: {},
    }
    for (const { name, placements, sources, arriving } of chosen)
      placements.forEach(({ part }, i) => {
        const source = sources[i]
        if (!source?.elsewhere) want(wants, name, part, Boolean(source) || arriving[i] !== null)
      })
    return wants
  }

  /** A list of parts, all of them to be bought for a roster, such as what its packs lack. */
  async ofParts(
    roster: string,
    parts: readonly { part: string; qty: number; forWhat: readonly string[] }[],
  ): Promise<Wants> {
    const found = await this.database.getRepository(RosterEntity).findOneBy({ id: roster })
    if (!found) throw notFound('roster', roster)
    const known = await this.catalogue.parts(parts.map(({ part }) => part))
    const strange = parts.find(({ part }) => !known.some(({ code }) => code === part))
    if (strange) throw notFound('part', strange.part)
    return {
      name: found.name,
      outfits: [],
      take: null,
      label: null,
      roster,
      currency: found.currency,
      takingApart: houseRulesOf(found.rules, found.switches).takingApart,
      wanted: parts.flatMap(({ part, qty }) => Array.from({ length: qty }, () => part)),
      given: new Map(),
      wantedBy: Object.fromEntries(parts.map(({ part, qty, forWhat }) => [part, [{ name: forWhat.join(', '), qty }]])),
    }
  }

  /** Second choices for wanted parts among those on offer. */
  async secondChoices(wanted: readonly string[], offered: ReadonlySet<string>): Promise<SecondChoices> {
    const { colours, moulds } = await this.catalogue.basics()
    const own = await this.catalogue.parts([...new Set(wanted)])
    const same = await this.database
      .getRepository(PartEntity)
      .find({ where: { mould: In([...new Set(own.map(({ mould }) => mould))]) }, select: { code: true } })
    const others = await this.catalogue.parts(same.map(({ code }) => code).filter((code) => offered.has(code)))
    return secondChoices(own, others, catalogueOf({ colours, moulds, prints: [], parts: [...own, ...others] }))
  }
}

function want(wants: Wants, outfit: string, part: string, given: boolean): void {
  wants.wanted.push(part)
  if (given) {
    wants.given.set(part, (wants.given.get(part) ?? 0) + 1)
    return
  }
  const by = (wants.wantedBy[part] ??= [])
  const known = by.find(({ name }) => name === outfit)
  if (known) known.qty += 1
  else by.push({ name: outfit, qty: 1 })
}

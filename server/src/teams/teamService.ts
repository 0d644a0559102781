import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { Drawables, Placement } from '@outfit/core/catalogue'
import { spareWhen } from '@outfit/core/allotment'
import type { TeamMember } from '@outfit/core/teams'
import type { Worn } from '@outfit/core/roster'
import { notFound } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { FigureEntity, FigurePartEntity } from '../schema/catalogue.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { CharacterEntity, OutfitEntity, PreferenceEntity, ShownEntity } from '../schema/roster.ts'
import type { SaveHeads } from '../roster/planningDto.ts'
import { RosterService } from '../roster/rosterService.ts'
import { SharesService } from '../allotment/sharesService.ts'
import { UniformService } from '../roster/uniformService.ts'

/** Slots a team casting fills. */
const CAST: readonly Placement['slot'][] = ['head', 'headgear']

/** What is decided for several outfits of a roster at once: heads, order of merit, what they began with. */
@Injectable()
export class TeamService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly briefs: BriefService,
    private readonly drawer: DrawerService,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly rosters: RosterService,
    private readonly uniforms: UniformService,
  ) {}

  /**
   * Members of a roster with their briefs, and the owned parts that are spare when `cast` give their heads and headgear
   * back and everybody else keeps what they have.
   */
  async members(
    roster: string,
    cast: readonly string[],
  ): Promise<{ members: TeamMember[]; spare: Record<string, number>; lowest: Record<string, number | null> }> {
    const shares = await this.shares.all()
    const own = shares.filter((share) => share.roster.id === roster)
    if (own.length === 0) throw notFound('roster', roster)
    const spare = spareWhen(
      await this.drawer.contents(),
      shares,
      ({ outfit }) => (cast.includes(outfit.id) ? CAST : []),
      own[0]!.rules.takingApart,
    )
    const photos = await this.briefs.firstPhotos(own.map(({ outfit }) => outfit))
    const members = await Promise.all(
      own.map(async ({ outfit, brief: row, rules }): Promise<TeamMember> => {
        const { brief, briefVersion } = this.briefs.from(row, outfit)
        const avoided = [...(await this.briefs.avoided(brief)), ...(await this.briefs.onlyFrom(rules.excluded))]
        return { outfit: outfit.id, brief, briefVersion, avoided, photo: photos.get(outfit.id) ?? null }
      }),
    )
    const prices = await this.market.lowest()
    const worn = own.flatMap(({ placements }) => placements.map(({ part }) => part))
    const priced = [
      ...worn,
      ...(await this.market.assembliesFor(worn)).flatMap(({ code }) => (prices.has(code) ? [code] : [])),
    ]
    return { members, spare, lowest: Object.fromEntries(priced.map((part) => [part, prices.get(part) ?? null])) }
  }

  /** The released figures that outfits of a roster began with, as they were released. */
  async bases(
    roster: string,
  ): Promise<{ figures: { code: string; name: string; year: number; worn: Placement[] }[] } & Drawables> {
    const own = (await this.shares.all()).filter((share) => share.roster.id === roster)
    const codes = [...new Set(own.flatMap(({ outfit }) => outfit.base ?? []))]
    const db = this.database.manager
    const [figures, worn] = await Promise.all([
      db.findBy(FigureEntity, { code: In(codes) }),
      db.findBy(FigurePartEntity, { figure: In(codes) }),
    ])
    // What is worn now may be for sale as one.
    const now = [...new Set(own.flatMap(({ placements }) => placements.map(({ part }) => part)))]
    const parts = await this.catalogue.parts([
      ...worn.map(({ part }) => part),
      ...(await this.market.assembliesFor(now)).map(({ code }) => code),
    ])
    return {
      figures: figures.map(({ code, name, year }) => ({
        code,
        name,
        year,
        worn: worn
          .filter(({ figure }) => figure === code)
          .map(({ slot, part, order }): Placement => ({ slot, part, order, turned: false })),
      })),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** State which heads a character has at which ages. */
  async saveHeads(character: string, { heads }: SaveHeads): Promise<void> {
    await this.writer.transaction(async (db) => {
      if (!(await db.existsBy(CharacterEntity, { id: character }))) throw notFound('character', character)
      for (const [i, { head }] of heads.entries())
        await this.rosters.refuseFaulty([{ slot: 'head', part: head, order: 0, turned: false }], `heads[${i}].`)
      await db.update(CharacterEntity, { id: character }, { heads: [...heads].sort((a, b) => a.from - b.from) })
    })
  }

  /** Give outfits heads, headgear or both, all or none; what each wore there before is answered, for undoing. */
  wearHeads(roster: string, outfits: readonly Worn[]): Promise<{ before: Worn[] }> {
    return this.writer.transaction(async (db) => {
      const characters = await db.findBy(CharacterEntity, { roster })
      const before: Worn[] = []
      for (const { outfit, placements } of outfits) {
        if (!(await db.existsBy(OutfitEntity, { id: outfit, character: In(characters.map(({ id }) => id)) })))
          throw notFound('outfit', outfit)
        const slots = new Set(placements.map(({ slot }) => slot))
        await this.uniforms.dress(db, outfit, (worn) => {
          before.push({ outfit, placements: worn.filter(({ slot }) => slots.has(slot)) })
          return [...worn.filter(({ slot }) => !slots.has(slot)), ...placements]
        })
      }
      return { before }
    })
  }

  /** Choices between two outfits of a roster. */
  async preferences(roster: string): Promise<Omit<PreferenceEntity, 'roster'>[]> {
    const rows = await this.database.getRepository(PreferenceEntity).find({ where: { roster }, order: { at: 'ASC' } })
    return rows.map(({ better, worse, at }) => ({ better, worse, at }))
  }

  /** Prefer one outfit to another; the opposite choice, if there was one, is dropped. */
  async prefer(roster: string, better: string, worse: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const own = (await this.shares.all()).filter((share) => share.roster.id === roster)
      for (const id of [better, worse]) if (!own.some(({ outfit }) => outfit.id === id)) throw notFound('outfit', id)
      await db.delete(PreferenceEntity, { roster, better: worse, worse: better })
      await db.save(PreferenceEntity, { roster, better, worse, at: new Date().toISOString() })
    })
  }

  /** Take a choice back. */
  async forgetPreference(roster: string, better: string, worse: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(PreferenceEntity, { roster, better, worse }))
  }

  /** Remember that a picture of some outfits was taken away today, all or none. */
  async shown(outfits: readonly string[], how: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const known = await db.findBy(OutfitEntity, { id: In([...outfits]) })
      const unknown = outfits.find((id) => !known.some((outfit) => outfit.id === id))
      if (unknown !== undefined) throw notFound('outfit', unknown)
      const at = new Date().toISOString().slice(0, 10)
      await db.save(
        ShownEntity,
        outfits.map((outfit) => ({ outfit, at, how })),
      )
    })
  }
}

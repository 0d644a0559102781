import { Injectable } from '@nestjs/common'
import { In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { agedTo, type AgeingOptions } from '@outfit/core/ages'
import { emptyBrief, statureAt } from '@outfit/core/brief'
import type { Placement } from '@outfit/core/catalogue'
import { homeCurrency } from '@outfit/core/market'
import { arrange, mergeFields, withHeadAt, type Collision, type Move } from '@outfit/core/roster'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { BriefEntity } from '../schema/brief.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { FigureEntity } from '../schema/catalogue.ts'
import { placementOf, rowOf } from '../schema/placementRows.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, RosterEntity, TakeEntity } from '../schema/roster.ts'
import type {
  AddCharacters,
  AnotherOutfit,
  ChangeOutfits,
  ChangeRoster,
  NewRoster,
  OutfitFacts,
  RosterFacts,
} from './planningDto.ts'
import { RosterService } from './rosterService.ts'
import { RulesService } from './rulesService.ts'
import { SettingsService } from '../settings/settingsService.ts'

const ulid = monotonicFactory()

/** Rosters begun and changed, characters planned by the dozen, outfits put where they belong. */
@Injectable()
export class PlanningService {
  constructor(
    private readonly writer: Writer,
    private readonly rosters: RosterService,
    private readonly briefs: BriefService,
    private readonly rules: RulesService,
    private readonly changes: Changes,
    private readonly settings: SettingsService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** Begin a roster behind the others; its name must be its own, since people tell rosters by it. */
  begin({ school, ...roster }: NewRoster): Promise<{ id: string; version: number }> {
    return this.writer.transaction(async (db) => {
      await refuseName(db, roster.name)
      const id = ulid()
      const { takingApart } = await this.settings.all()
      const last = await db.findOne(RosterEntity, { where: {}, order: { position: 'DESC' } })
      await db.insert(RosterEntity, {
        ...roster,
        id,
        rules: school,
        switches: takingApart === null ? {} : { takingApart },
        currency: homeCurrency(),
        version: 1,
        position: (last?.position ?? -1) + 1,
      })
      return { id, version: 1 }
    })
  }

  /** Change what a roster is called and limited by. What somebody else changed meanwhile is left, and told. */
  changeRoster(id: string, { set, was }: ChangeRoster): Promise<{ collided: Collision[] }> {
    return this.writer.transaction(async (db) => {
      const roster = await db.findOneBy(RosterEntity, { id })
      if (!roster) throw notFound('roster', id)
      const { kept, collided } = mergeFields<RosterFacts>(roster, set, was)
      if (kept.name !== undefined) await refuseName(db, kept.name, id)
      if (Object.keys(kept).length > 0) await db.update(RosterEntity, { id }, kept)
      return { collided }
    })
  }

  /** Add characters behind those there are, all or none: each with an outfit, its brief by age, and an empty take. */
  async add(
    roster: string,
    version: number,
    characters: AddCharacters['characters'],
  ): Promise<{ version: number; outfits: string[] }> {
    for (const [i, { brief, placements }] of characters.entries()) {
      if (brief) await this.briefs.refuseFaulty(brief, `characters[${i}].brief.`)
      if (placements) await this.rosters.refuseFaulty(placements, `characters[${i}].`)
    }
    return this.rosters.writingRoster(roster, version, async (db) => {
      const ids: string[] = []
      for (const { name, faction, years, notes, brief, placements = [] } of characters) {
        const character = ulid()
        await db.insert(CharacterEntity, { id: character, roster, name, position: 0, heads: [] })
        const outfit = await this.insertOutfit(db, roster, { character, name, faction, years })
        const stature = years === null ? 'full' : statureAt(years)
        await this.briefs.write(db, outfit, brief ?? { ...emptyBrief(stature), years, notes }, 1)
        const take = ulid()
        await db.insert(TakeEntity, { id: take, outfit, label: 'A', chosen: true, reason: '' })
        await db.insert(
          PlacementEntity,
          placements.map((placement) => rowOf(placement, take)),
        )
        ids.push(outfit)
      }
      return { outfits: ids }
    })
  }

  /** One more outfit of a character, dressed and briefed as another of theirs, or empty. */
  async another(
    roster: string,
    { character, name, from, years, aged }: AnotherOutfit,
  ): Promise<{ id: string; changed: string[]; stays: string[] }> {
    const parts = aged ? await this.agedOf() : null
    return this.writer.transaction(async (db) => {
      if (!(await db.existsBy(CharacterEntity, { id: character, roster }))) throw notFound('character', character)
      const own = await db.find(OutfitEntity, { where: { character }, order: { position: 'ASC' } })
      const model = from === undefined ? own[0] : own.find(({ id }) => id === from)
      if (from !== undefined && !model) throw notFound('outfit', from)
      const id = await this.insertOutfit(db, roster, { character, name, faction: model?.faction ?? '', years })
      const known = from === undefined ? null : await db.findOneBy(BriefEntity, { outfit: from })
      const stature = years === null ? ((model?.stature ?? 'full') as ReturnType<typeof statureAt>) : statureAt(years)
      const brief = known ? this.briefs.from(known, { stature }).brief : emptyBrief(stature)
      await this.briefs.write(db, id, { ...brief, stature, years: years ?? brief.years }, 1)
      const take = ulid()
      await db.insert(TakeEntity, { id: take, outfit: id, label: 'A', chosen: true, reason: '' })
      const chosen = from === undefined ? null : await db.findOneBy(TakeEntity, { outfit: from, chosen: true })
      const before = chosen ? (await db.findBy(PlacementEntity, { take: chosen.id })).map(placementOf) : []
      const then = parts && years !== null ? agedTo(before, years, parts) : null
      await db.insert(
        PlacementEntity,
        (then?.placements ?? before).map((p) => rowOf(p, take)),
      )
      if (then?.head && years !== null)
        await this.stateHeads(db, character, before, known?.years ?? null, then.head, years)
      // Beside the outfit it was made from.
      if (model) {
        const all = await outfitsOf(db, roster)
        const next = all[all.findIndex((outfit) => outfit.id === model.id) + 1]
        await this.write(db, arrange(all, [{ outfit: id, faction: model.faction, before: next?.id ?? null }]))
      }
      return { id, changed: then?.changed ?? [], stays: then?.stays ?? [] }
    })
  }

  /** What may be worn at another age: parts somebody made, with what they are judged by. */
  private async agedOf(): Promise<AgeingOptions> {
    const [{ catalogue, ofKind }, unmade] = await Promise.all([this.catalogue.matchable(), this.catalogue.unmade()])
    const never = new Set(unmade)
    if (never.size === 0) return { catalogue, ofKind }
    const made = [...ofKind].map(([kind, parts]) => [kind, parts.filter(({ code }) => !never.has(code))] as const)
    return { catalogue, ofKind: new Map(made) }
  }

  /** Say of a character that it has one head until, and another from an age on, so that both are its own. */
  private async stateHeads(
    db: EntityManager,
    id: string,
    before: readonly Placement[],
    yearsBefore: number | null,
    head: string,
    years: number,
  ): Promise<void> {
    const worn = before.find(({ slot }) => slot === 'head')?.part
    if (worn === undefined || yearsBefore === null || yearsBefore === years) return
    const { heads } = await db.findOneByOrFail(CharacterEntity, { id })
    await db.update(
      CharacterEntity,
      { id },
      { heads: withHeadAt(heads, { from: yearsBefore, head: worn }, { from: years, head }) },
    )
  }

  /** Change outfits of a roster, many at once. What somebody else changed meanwhile is left as it is, and told. */
  change(roster: string, outfits: ChangeOutfits['outfits']): Promise<{ collided: Collision[] }> {
    return this.writer.transaction(async (db) => {
      const own = await outfitsOf(db, roster)
      const collided: Collision[] = []
      for (const [i, { id, set, was }] of outfits.entries()) {
        const outfit = own.find((one) => one.id === id)
        if (!outfit) throw notFound('outfit', id)
        if (set.base && !(await db.existsBy(FigureEntity, { code: set.base })))
          throw new Problem(400, `outfits[${i}].set.base: there is no figure ${set.base}. Nothing was written.`, [
            { field: `outfits[${i}].set.base`, message: `there is no figure ${set.base}` },
          ])
        if (set.switches) await this.rules.refuseUnknown(set.switches, `outfits[${i}].set.`)
        const differs = Object.values(set.switches ?? {}).some((value) => value !== undefined)
        if (differs && !set.switchesReason?.trim()) {
          const [field, message] = [`outfits[${i}].set.switchesReason`, 'say why this outfit does otherwise']
          throw new Problem(400, `${field}: ${message}. Nothing was written.`, [{ field, message }])
        }
        const { kept, collided: untouched } = mergeFields<OutfitFacts>(outfit as OutfitEntity & OutfitFacts, set, was)
        collided.push(...untouched)
        if (Object.keys(kept).length > 0) await db.update(OutfitEntity, { id }, kept)
      }
      await db.increment(RosterEntity, { id: roster }, 'version', 1)
      return { collided }
    })
  }

  /** Put outfits elsewhere on their shelf; numbers follow, and so does who comes first at the drawer. */
  async arrange(roster: string, moves: readonly Move[]): Promise<void> {
    await this.writer.transaction(async (db) => {
      const own = await outfitsOf(db, roster)
      const unknown = moves.find(({ outfit }) => !own.some(({ id }) => id === outfit))
      if (unknown) throw notFound('outfit', unknown.outfit)
      await this.write(db, arrange(own, moves))
      await db.increment(RosterEntity, { id: roster }, 'version', 1)
    })
    this.changes.tell('drawer')
  }

  /** Move outfits over to another roster; a character comes along once all its outfits do, else it is split. */
  async moveOver(roster: string, ids: readonly string[], to: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      if (!(await db.existsBy(RosterEntity, { id: to }))) throw notFound('roster', to)
      const own = await outfitsOf(db, roster)
      const there = await outfitsOf(db, to)
      const moved = ids.map((id) => {
        const outfit = own.find((one) => one.id === id)
        if (!outfit) throw notFound('outfit', id)
        return outfit
      })
      for (const character of new Set(moved.map((outfit) => outfit.character))) {
        const whole = own.every((outfit) => outfit.character !== character || ids.includes(outfit.id))
        const known = await db.findOneByOrFail(CharacterEntity, { id: character })
        const target = whole ? character : ulid()
        if (whole) await db.update(CharacterEntity, { id: character }, { roster: to })
        else await db.insert(CharacterEntity, { ...known, id: target, roster: to })
        for (const outfit of moved.filter((one) => one.character === character))
          await db.update(OutfitEntity, { id: outfit.id }, { character: target, uniform: null })
      }
      await this.write(db, [...there, ...moved])
      for (const id of [roster, to]) await db.increment(RosterEntity, { id }, 'version', 1)
    })
    this.changes.tell('drawer')
  }

  private async insertOutfit(
    db: EntityManager,
    roster: string,
    { years, ...outfit }: { character: string; name: string; faction: string; years: number | null },
  ): Promise<string> {
    const id = ulid()
    const all = await outfitsOf(db, roster)
    await db.insert(OutfitEntity, {
      ...outfit,
      id,
      stature: years === null ? 'full' : statureAt(years),
      position: (all.at(-1)?.position ?? -1) + 1,
      version: 1,
      switches: {},
      switchesReason: '',
      base: null,
      uniform: null,
    })
    return id
  }

  private async write(db: EntityManager, order: readonly OutfitEntity[]): Promise<void> {
    for (const [position, { id, faction }] of order.entries())
      await db.update(OutfitEntity, { id }, { position, faction })
  }
}

/** The outfits of a roster as they stand on its shelf. */
async function outfitsOf(db: EntityManager, roster: string): Promise<OutfitEntity[]> {
  if (!(await db.existsBy(RosterEntity, { id: roster }))) throw notFound('roster', roster)
  const characters = await db.findBy(CharacterEntity, { roster })
  return db.find(OutfitEntity, {
    where: { character: In(characters.map(({ id }) => id)) },
    order: { position: 'ASC', id: 'ASC' },
  })
}

async function refuseName(db: EntityManager, name: string, own?: string): Promise<void> {
  const known = await db.findOneBy(RosterEntity, { name })
  if (known && known.id !== own)
    throw new Problem(400, `name: there is a roster ${name} already. Nothing was written.`, [
      { field: 'name', message: `there is a roster ${name} already` },
    ])
}

import { Injectable } from '@nestjs/common'
import { DataSource, type EntityManager, type EntityTarget } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { MADE_SLOTS, wearMade, type Wearable } from '@outfit/core/anatomy'
import type { Placement } from '@outfit/core/catalogue'
import { breathing } from '../base/breathe.ts'
import { Changes } from '../base/changes.ts'
import { BriefService } from '../brief/briefService.ts'
import { FigureEntity, PartEntity } from '../schema/catalogue.ts'
import { ParcelEntity, ParcelLineEntity, RateEntity, SellerEntity } from '../schema/market.ts'
import { outfitsOf, partsOf, withOutfitsCalled } from '@outfit/core/series'
import { MadeService } from '../made/madeService.ts'
import { Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { amountsInHome } from './amountsInHome.ts'
import type { RosterImport, RostersFile } from './dto.ts'
import { rowOf, uniformRowOf } from '../schema/placementRows.ts'
import {
  CharacterEntity,
  OutfitEntity,
  PlacementEntity,
  PreferenceEntity,
  RosterEntity,
  ShownEntity,
  TakeEntity,
  UniformEntity,
  UniformPlacementEntity,
} from '../schema/roster.ts'
import { RosterService } from './rosterService.ts'
import { StandService } from './standService.ts'

const ulid = monotonicFactory()

/** Rosters as files. */
@Injectable()
export class ImportRosters {
  constructor(
    private readonly database: DataSource,
    private readonly changes: Changes,
    private readonly writer: Writer,
    private readonly rosters: RosterService,
    private readonly briefs: BriefService,
    private readonly stands: StandService,
    private readonly made: MadeService,
  ) {}

  /** Add the rosters of a file, all or none. */
  async import(file: RostersFile): Promise<{ rosters: number; outfits: number }> {
    await this.refuseFaulty(file)
    let outfits = 0
    try {
      await this.writer.transaction(async (db) => {
        const last = await db.findOne(RosterEntity, { where: {}, order: { position: 'DESC' } })
        const built: { outfit: string; on: string }[] = []
        const rates = await db.find(RateEntity)
        const made = await this.made.bringIn(db, file.made ?? [])
        for (const [i, told] of file.rosters.entries()) {
          const roster = amountsInHome(told, rates, `rosters[${i}].`)
          const written = await this.write(db, roster, (last?.position ?? -1) + 1 + i, made)
          outfits += written.outfits
          built.push(...written.built)
        }
        // What stands built has to be in the drawer; building it takes it from there, one after the other.
        for (const { outfit, on } of built) await this.stands.buildIn(db, outfit, on)
      })
    } finally {
      this.changes.tell('drawer')
    }
    return { rosters: file.rosters.length, outfits }
  }

  /** Refuse what names things there are not, by the path of the first fault. */
  private async refuseFaulty({ rosters, made = [] }: RostersFile): Promise<void> {
    const refuse = (field: string, message: string): never => {
      throw new Problem(400, `${field}: ${message}. Nothing was written.`, [{ field, message }])
    }
    const breath = breathing()
    const known = async (entity: EntityTarget<{ code: string }>, code: string, field: string, what: string) => {
      if (!(await this.database.getRepository(entity).existsBy({ code }))) refuse(field, `there is no ${what} ${code}`)
    }
    for (const [r, { characters, uniforms = [], parcels = [], preferences = [], series }] of rosters.entries()) {
      for (const [p, { seller, lines }] of parcels.entries()) {
        const path = `rosters[${r}].parcels[${p}].`
        await known(SellerEntity, seller, `${path}seller`, 'seller')
        for (const [l, { part }] of lines.entries()) await known(PartEntity, part, `${path}lines[${l}].part`, 'part')
      }
      const names = new Set(characters.flatMap((character) => character.outfits.map(({ name }) => name)))
      for (const [p, choice] of preferences.entries())
        for (const side of ['better', 'worse'] as const)
          if (!names.has(choice[side]))
            refuse(`rosters[${r}].preferences[${p}].${side}`, `there is no outfit ${choice[side]}`)
      for (const outfit of series ? outfitsOf(series) : [])
        if (!names.has(outfit)) refuse(`rosters[${r}].series`, `there is no outfit ${outfit}`)
      for (const part of series ? partsOf(series) : []) await known(PartEntity, part, `rosters[${r}].series`, 'part')
      for (const [u, uniform] of uniforms.entries())
        await this.rosters.refuseFaulty(uniform.placements, `rosters[${r}].uniforms[${u}].`)
      for (const [c, character] of characters.entries()) {
        await breath()
        for (const [h, { head }] of (character.heads ?? []).entries())
          await this.rosters.refuseFaulty(
            [{ slot: 'head', part: head, order: 0, turned: false }],
            `rosters[${r}].characters[${c}].heads[${h}].`,
          )
        for (const [o, outfit] of character.outfits.entries()) {
          const path = `rosters[${r}].characters[${c}].outfits[${o}].`
          if (outfit.brief) await this.briefs.refuseFaulty(outfit.brief, `${path}brief.`)
          if (outfit.uniform !== undefined && !uniforms.some(({ name }) => name === outfit.uniform))
            refuse(`${path}uniform`, `there is no uniform ${outfit.uniform}`)
          if (outfit.base !== undefined) await known(FigureEntity, outfit.base, `${path}base`, 'figure')
          for (const [t, take] of outfit.takes.entries()) {
            await this.rosters.refuseFaulty(take.placements, `${path}takes[${t}].`)
            for (const [m, { slot, name }] of (take.made ?? []).entries()) {
              const item = made.find((one) => one.name === name)
              if (!item) refuse(`${path}takes[${t}].made[${m}].name`, `there is no ${name} in the file`)
              else if (!MADE_SLOTS[item.as].includes(slot))
                refuse(`${path}takes[${t}].made[${m}].slot`, `${name} is worn as ${item.as}`)
            }
          }
        }
      }
    }
  }

  private async write(
    db: EntityManager,
    { characters, uniforms = [], parcels = [], preferences = [], series, ...roster }: RosterImport,
    position: number,
    made: ReadonlyMap<string, Wearable>,
  ): Promise<{ outfits: number; built: { outfit: string; on: string }[] }> {
    const rosterId = ulid()
    await db.insert(RosterEntity, {
      budget: null,
      dueOn: null,
      ...roster,
      switches: roster.switches ?? {},
      version: 1,
      id: rosterId,
      position,
    })
    const uniformIds = new Map<string, string>()
    for (const { name, placements } of uniforms) {
      const id = ulid()
      uniformIds.set(name, id)
      await db.insert(UniformEntity, { id, roster: rosterId, name, version: 1 })
      await db.insert(
        UniformPlacementEntity,
        placements.map((p) => uniformRowOf(p, id)),
      )
    }
    const built: { outfit: string; on: string }[] = []
    /** Ids by name; of two outfits of one name the last. */
    const ids = new Map<string, string>()
    let outfits = 0
    const breath = breathing()
    for (const [place, { name, heads, outfits: own }] of characters.entries()) {
      await breath()
      const character = ulid()
      await db.insert(CharacterEntity, { id: character, roster: rosterId, name, position: place, heads: heads ?? [] })
      for (const { takes, brief, references = [], uniform, built: builtOn, shown, base, switches, ...outfit } of own) {
        const id = ulid()
        await db.insert(OutfitEntity, {
          ...outfit,
          switches: switches ?? {},
          switchesReason: outfit.switchesReason ?? '',
          base: base ?? null,
          uniform: uniformIds.get(uniform ?? '') ?? null,
          id,
          character,
          position: outfits++,
          version: 1,
        })
        ids.set(outfit.name, id)
        if (brief) await this.briefs.write(db, id, brief, 1)
        for (const reference of references)
          await this.briefs.insertReference(
            db,
            { ...reference, id: ulid(), ownOutfit: true, outline: null },
            { id, character },
          )
        for (const { placements, made: besides = [], ...take } of takes) {
          const worn = besides.reduce<Placement[]>(
            (list, { slot, name }) => wearMade(list, slot, made.get(name)!),
            placements,
          )
          const takeId = ulid()
          await db.insert(TakeEntity, { ...take, reason: take.reason ?? '', id: takeId, outfit: id })
          await db.insert(
            PlacementEntity,
            worn.map((p) => rowOf(p, takeId)),
          )
        }
        if (builtOn) built.push({ outfit: id, on: builtOn })
        if (shown) await db.insert(ShownEntity, { outfit: id, at: shown, how: 'card' })
      }
    }
    for (const { lines, ...parcel } of parcels) {
      const id = ulid()
      const { orderedOn, arrivedOn = null } = parcel
      await db.insert(ParcelEntity, { ...parcel, sentOn: orderedOn, arrivedOn, id, roster: rosterId })
      await db.insert(
        ParcelLineEntity,
        lines.map(({ part, arrived = null, ...line }, at) => ({
          ...line,
          code: part,
          arrived,
          parcel: id,
          line: at + 1,
        })),
      )
    }
    for (const { better, worse, at } of preferences) {
      await db.insert(PreferenceEntity, { roster: rosterId, better: ids.get(better)!, worse: ids.get(worse)!, at })
    }
    if (series)
      await db.update(
        RosterEntity,
        { id: rosterId },
        { series: withOutfitsCalled(series, (name) => ids.get(name) ?? name) },
      )
    return { outfits, built }
  }
}

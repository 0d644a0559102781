import { Injectable } from '@nestjs/common'
import { DataSource, In, IsNull, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import {
  emptyBrief,
  traitNamed,
  traitsAt,
  type Brief,
  type BriefWish,
  type Stature,
  type WishTemplate,
} from '@outfit/core/brief'
import type { PictureOutline } from '@outfit/core/picture'
import type { HouseRules, Reference } from '@outfit/core/roster'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import {
  FigureEntity,
  FigurePartEntity,
  MouldEntity,
  PhotoEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from '../schema/catalogue.ts'
import { CharacterEntity, OutfitEntity } from '../schema/roster.ts'
import { BriefEntity, ReferenceEntity, WishTemplateEntity } from '../schema/brief.ts'

const ulid = monotonicFactory()

/** Briefs, reference pictures, and wishes kept under a name. */
@Injectable()
export class BriefService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
  ) {}

  /** The brief of an outfit with its version; an empty one of version 0 where none was written. */
  async of(outfit: Pick<OutfitEntity, 'id' | 'stature'>): Promise<{ brief: Brief; briefVersion: number }> {
    return this.from(await this.database.getRepository(BriefEntity).findOneBy({ outfit: outfit.id }), outfit)
  }

  /** The same from its row; null where none was written. */
  from(row: BriefEntity | null, outfit: Pick<OutfitEntity, 'stature'>): { brief: Brief; briefVersion: number } {
    const stature = outfit.stature as Stature
    if (!row) return { brief: emptyBrief(stature), briefVersion: 0 }
    const { outfit: _outfit, version, ...brief } = row
    return { brief: { ...brief, stature }, briefVersion: version }
  }

  /** Replace a brief. Refused with 409 when somebody else wrote first, with 400 when a wish makes no sense. */
  async save(outfitId: string, version: number, brief: Brief): Promise<{ briefVersion: number; avoided: string[] }> {
    await this.refuseFaulty(brief)
    const briefVersion = await this.writer.transaction(async (db) => {
      const outfit = await db.findOneBy(OutfitEntity, { id: outfitId })
      if (!outfit) throw notFound('outfit', outfitId)
      return this.replace(db, outfit, version, brief)
    })
    return { briefVersion, avoided: await this.avoided(brief) }
  }

  /** Replace briefs of outfits of a roster, all or none. */
  async saveAll(
    roster: string,
    briefs: readonly { outfit: string; version: number; brief: Brief }[],
  ): Promise<{ briefs: { outfit: string; version: number }[] }> {
    for (const [i, { brief }] of briefs.entries()) await this.refuseFaulty(brief, `briefs[${i}].brief.`)
    return this.writer.transaction(async (db) => {
      const characters = await db.find(CharacterEntity, { where: { roster }, select: { id: true } })
      const own = { character: In(characters.map(({ id }) => id)) }
      const saved: { outfit: string; version: number }[] = []
      for (const [i, { outfit: id, version, brief }] of briefs.entries()) {
        const outfit = await db.findOneBy(OutfitEntity, { id, ...own })
        if (!outfit) throw notFound('outfit', id)
        saved.push({ outfit: id, version: await this.replace(db, outfit, version, brief, `briefs[${i}].`) })
      }
      return { briefs: saved }
    })
  }

  /** Write a brief over the one of `version`; its new version. `path` names it among others. */
  private async replace(
    db: EntityManager,
    { id, name }: Pick<OutfitEntity, 'id' | 'name'>,
    version: number,
    brief: Brief,
    path = '',
  ): Promise<number> {
    const newest = (await db.findOneBy(BriefEntity, { outfit: id }))?.version ?? 0
    if (newest !== version)
      throw new Problem(
        409,
        `${path === '' ? 'This brief' : `The brief of ${name}`} was changed elsewhere in the meantime. Nothing was written; load it again and repeat the change.`,
        [{ field: `${path}version`, message: `is ${version}, the newest is ${newest}` }],
        { version: newest },
      )
    await this.write(db, id, brief, newest + 1)
    return newest + 1
  }

  /** Write a brief inside a transaction. */
  async write(db: EntityManager, outfit: string, { stature, ...brief }: Brief, version: number): Promise<void> {
    await db.save(BriefEntity, { ...brief, outfit, version })
    await db.update(OutfitEntity, { id: outfit }, { stature })
  }

  /** Refuse a brief whose wishes name what there is not, with the path of each fault. */
  async refuseFaulty({ wishes, avoid }: Brief, path = 'brief.'): Promise<void> {
    const codes = [...new Set(wishes.filter(({ trait }) => trait === 'shape').map(({ target }) => target))]
    const moulds = new Set(
      (await this.database.getRepository(MouldEntity).findBy({ code: In(codes) })).map(({ code }) => code),
    )
    const faults = wishes.flatMap((wish, index) => {
      const message = faultOf(wish, moulds)
      return message === null ? [] : [{ field: `${path}wishes[${index}].${message[0]}`, message: message[1] }]
    })
    for (const [key, entity] of [
      ['figures', FigureEntity],
      ['releases', ReleaseEntity],
    ] as const) {
      const rows = await this.database.getRepository<{ code: string }>(entity).findBy({ code: In(avoid[key]) })
      for (const [index, code] of avoid[key].entries())
        if (!rows.some((row) => row.code === code))
          faults.push({ field: `${path}avoid.${key}[${index}]`, message: `there is no ${key.slice(0, -1)} ${code}` })
    }
    if (faults.length > 0)
      throw new Problem(400, `${faults[0]!.field}: ${faults[0]!.message}. Nothing was written.`, faults)
  }

  /** Every part that the figures and releases to be avoided bring. */
  avoided({ avoid }: Brief): Promise<string[]> {
    return this.partsOf(avoid)
  }

  /** Parts that some figures and releases bring and no others do. */
  async onlyFrom(things: HouseRules['excluded']): Promise<string[]> {
    const parts = await this.partsOf(things)
    if (parts.length === 0) return []
    const db = this.database.manager
    const inside = await db.findBy(ReleaseContentEntity, { release: In([...things.releases]) })
    const figures = new Set([
      ...things.figures,
      ...inside.filter(({ kind }) => kind === 'figure').map(({ code }) => code),
    ])
    const [worn, loose] = await Promise.all([
      db.findBy(FigurePartEntity, { part: In(parts) }),
      db.findBy(ReleaseContentEntity, { kind: 'part', code: In(parts) }),
    ])
    const elsewhere = new Set([
      ...worn.filter(({ figure }) => !figures.has(figure)).map(({ part }) => part),
      ...loose.filter(({ release }) => !things.releases.includes(release)).map(({ code }) => code),
    ])
    return parts.filter((part) => !elsewhere.has(part))
  }

  /** Every part that some figures and releases bring. */
  async partsOf({ figures, releases }: HouseRules['excluded']): Promise<string[]> {
    const things = [
      ...figures.map((code) => ({ kind: 'figure' as const, code })),
      ...releases.map((code) => ({ kind: 'release' as const, code })),
    ]
    if (things.length === 0) return []
    const yields = await this.catalogue.yields(things)
    return [...new Set([...yields.values()].flatMap(({ yields: list }) => list.map(({ part }) => part)))].sort()
  }

  /** Wishes kept under names, by name. */
  async templates(): Promise<WishTemplate[]> {
    const kept = await this.database.getRepository(WishTemplateEntity).find()
    return kept.map(({ id, name, wishes }) => ({ id, name, wishes })).sort((a, b) => a.name.localeCompare(b.name))
  }

  /** Keep wishes under a name, in place of those kept under it before. Refused with 400 when a wish makes no sense. */
  async saveTemplate(name: string, wishes: BriefWish[]): Promise<WishTemplate> {
    await this.refuseFaulty({ ...emptyBrief(), wishes }, '')
    return this.writer.transaction(async (db) => {
      const kept = await db.findOneBy(WishTemplateEntity, { name: name.trim() })
      const template = { id: kept?.id ?? ulid(), name: name.trim(), wishes }
      await db.save(WishTemplateEntity, template)
      return template
    })
  }

  /** Forget wishes kept under a name. 404 where there are none. */
  async removeTemplate(id: string): Promise<void> {
    const { affected } = await this.writer.transaction((db) => db.delete(WishTemplateEntity, { id }))
    if (!affected) throw notFound('template', id)
  }

  /** The first picture of each of some outfits, its own before one of its character. */
  async firstPhotos(outfits: readonly Pick<OutfitEntity, 'id' | 'character'>[]): Promise<Map<string, string>> {
    const characters = [...new Set(outfits.map(({ character }) => character))]
    const rows = await this.database
      .getRepository(ReferenceEntity)
      .find({ where: { character: In(characters) }, order: { id: 'ASC' } })
    return new Map(
      outfits.flatMap(({ id, character }) => {
        const own = rows.find((row) => row.outfit === id)
        const first = own ?? rows.find((row) => row.outfit === null && row.character === character)
        return first ? [[id, first.photo]] : []
      }),
    )
  }

  /** Pictures of an outfit: its own, then those of its character. */
  async references(outfit: Pick<OutfitEntity, 'id' | 'character'>): Promise<Reference[]> {
    const rows = await this.database.getRepository(ReferenceEntity).find({
      where: [{ outfit: outfit.id }, { character: outfit.character, outfit: IsNull() }],
      order: { id: 'ASC' },
    })
    return rows
      .map(({ id, photo, caption, outline, outfit: own }) => ({ id, photo, caption, outline, ownOutfit: own !== null }))
      .sort((a, b) => Number(b.ownOutfit) - Number(a.ownOutfit))
  }

  /** Hang a kept photo beside an outfit, or beside every outfit of its character. */
  async addReference(
    outfitId: string,
    { photo, caption, ownOutfit, outline }: Omit<Reference, 'id'>,
  ): Promise<Reference> {
    return this.writer.transaction(async (db) => {
      const outfit = await db.findOneBy(OutfitEntity, { id: outfitId })
      if (!outfit) throw notFound('outfit', outfitId)
      if (!(await db.existsBy(PhotoEntity, { hash: photo })))
        throw new Problem(400, 'photo: there is no such photo. Send the picture first. Nothing was written.', [
          { field: 'photo', message: 'there is no such photo' },
        ])
      const id = ulid()
      const reference = { id, photo, caption, ownOutfit, outline }
      await this.insertReference(db, reference, outfit)
      return reference
    })
  }

  /** Hang a picture beside an outfit, or beside all of its character, inside a transaction. Its photo must be kept already. */
  async insertReference(
    db: EntityManager,
    { id, photo, caption, ownOutfit, outline }: Reference,
    outfit: Pick<OutfitEntity, 'id' | 'character'>,
  ): Promise<void> {
    await db.insert(ReferenceEntity, {
      id,
      photo,
      caption,
      character: outfit.character,
      outfit: ownOutfit ? outfit.id : null,
      outline,
    })
  }

  /** Say where in a picture the character is. Refused with 404 where the outfit has no such picture. */
  async saveOutline(outfitId: string, id: string, outline: PictureOutline | null): Promise<void> {
    await this.writer.transaction(async (db) => {
      const outfit = await db.findOneBy(OutfitEntity, { id: outfitId })
      if (!outfit) throw notFound('outfit', outfitId)
      const { affected } = await db.update(ReferenceEntity, { id, character: outfit.character }, { outline })
      if (!affected) throw notFound('reference', id)
    })
  }

  /** Take a picture away from an outfit or its character. 404 where there is no such outfit, or it hangs there no more. */
  async removeReference(outfitId: string, id: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const outfit = await db.findOneBy(OutfitEntity, { id: outfitId })
      if (!outfit) throw notFound('outfit', outfitId)
      const character = await db.findOneByOrFail(CharacterEntity, { id: outfit.character })
      const { affected } = await db.delete(ReferenceEntity, { id, character: character.id })
      if (!affected) throw notFound('reference', id)
    })
  }
}

/** The field and fault of a wish; null when it makes sense. */
function faultOf({ place, trait: key, target }: BriefWish, moulds: ReadonlySet<string>): [string, string] | null {
  const trait = traitNamed(key)
  if (!traitsAt(place).includes(trait)) return ['trait', `${key} is nothing to wish for at ${place}`]
  if (trait.kind === 'colour')
    return /^#[0-9A-Fa-f]{6}$/.test(target) ? null : ['target', 'must be a colour as #RRGGBB']
  if (trait.kind === 'mould') return moulds.has(target) ? null : ['target', `there is no mould ${target}`]
  // Items and companions are as many as the moulds there are; the rest have their values.
  const open = key === 'item' || key === 'companion' || key === 'garment'
  return open || trait.values.includes(target) ? null : ['target', `must be one of ${trait.values.join(', ')}`]
}

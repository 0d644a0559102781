import { Injectable } from '@nestjs/common'
import { DataSource, In, Not, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { followMade, type Wearable } from '@outfit/core/anatomy'
import { groupBy } from '@outfit/core/base'
import type { MadeItems, MadeSaved } from '@outfit/core/made'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'

import { ColourEntity } from '../schema/catalogue.ts'
import { MadeItemEntity, MadePieceEntity } from '../schema/made.ts'
import { placementOf, rowOf, uniformRowOf } from '../schema/placementRows.ts'
import { OutfitEntity, PlacementEntity, TakeEntity, UniformEntity, UniformPlacementEntity } from '../schema/roster.ts'
import type { MadeBody } from './dto.ts'

const ulid = monotonicFactory()

/** An item as it is put on, with all else that is kept of it. */
const wearableOf = ({ wornAs, ...item }: MadeItemEntity, pieces: readonly MadePieceEntity[]) => ({
  ...item,
  as: wornAs,
  pieces: pieces.map(({ item: _item, position: _position, ...piece }) => piece),
})

/** Things made of several parts: kept, changed, and worn as they are by whoever wears them. */
@Injectable()
export class MadeService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
  ) {}

  async all(): Promise<MadeItems> {
    const db = this.database.manager
    const [items, pieces, wearers] = await Promise.all([
      db.find(MadeItemEntity),
      db.find(MadePieceEntity, { order: { item: 'ASC', position: 'ASC' } }),
      this.wearers(db),
    ])
    const piecesOf = groupBy(pieces, ({ item }) => item)
    const parts = await this.catalogue.parts(pieces.map(({ part }) => part))
    return {
      items: items
        .map((item) => ({
          ...wearableOf(item, piecesOf.get(item.id) ?? []),
          wornBy: wearers.get(item.id) ?? [],
        }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** Make one, under the id it had where it is put back. */
  make(body: MadeBody, id = ulid()): Promise<MadeSaved> {
    return this.writer.transaction(async (db) => {
      if (await db.existsBy(MadeItemEntity, { id })) throw new Problem(409, `${body.name} is there already.`)
      await this.refuseFaulty(db, null, body)
      await this.write(db, id, body)
      return { id, version: 1, followed: 0 }
    })
  }

  /** Those of a file, as they are put on, by name; one there is already by that name stays as it is. */
  async bringIn(db: EntityManager, bodies: readonly MadeBody[]): Promise<Map<string, Wearable>> {
    const byName = new Map<string, Wearable>()
    for (const [i, body] of bodies.entries()) {
      const known = await db.findOneBy(MadeItemEntity, { name: body.name })
      if (known) {
        const pieces = await db.find(MadePieceEntity, { where: { item: known.id }, order: { position: 'ASC' } })
        byName.set(body.name, wearableOf(known, pieces))
        continue
      }
      await this.refuseFaulty(db, null, body, `made[${i}].`)
      const id = ulid()
      await this.write(db, id, body)
      byName.set(body.name, { ...body, id })
    }
    return byName
  }

  private async write(db: EntityManager, id: string, { as, pieces, ...row }: MadeBody): Promise<void> {
    await db.insert(MadeItemEntity, { ...row, id, wornAs: as, version: 1 })
    await this.writePieces(db, id, pieces)
  }

  /** Change one, and what whoever wears it wears, in one transaction. */
  save(id: string, version: number, body: MadeBody): Promise<MadeSaved> {
    return this.writer.transaction(async (db) => {
      const kept = await db.findOneBy(MadeItemEntity, { id })
      if (!kept) throw notFound('made item', id)
      if (kept.version !== version)
        throw new Problem(
          409,
          'This was changed elsewhere in the meantime. Nothing was written; load it again and repeat the change.',
          [{ field: 'version', message: `is ${version}, the newest is ${kept.version}` }],
          { version: kept.version },
        )
      await this.refuseFaulty(db, id, body)
      const { as, pieces, ...row } = body
      const worn = (await this.wearers(db)).get(id) ?? []
      if (as !== kept.wornAs && worn.length > 0)
        throw new Problem(400, `as: ${worn[0]!.name} wears it as ${kept.wornAs}; take it off there first.`, [
          { field: 'as', message: `is worn as ${kept.wornAs}` },
        ])
      await db.update(MadeItemEntity, { id }, { ...row, wornAs: as, version: version + 1 })
      await db.delete(MadePieceEntity, { item: id })
      await this.writePieces(db, id, pieces)
      return { id, version: version + 1, followed: await this.follow(db, { ...body, id }) }
    })
  }

  async remove(id: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.delete(MadeItemEntity, { id })
      if (!affected) throw notFound('made item', id)
    })
  }

  private async writePieces(db: EntityManager, item: string, pieces: MadeBody['pieces']): Promise<void> {
    await db.insert(
      MadePieceEntity,
      pieces.map((piece, position) => ({ ...piece, item, position })),
    )
  }

  private async refuseFaulty(
    db: EntityManager,
    id: string | null,
    { name, as, height, bands, pieces }: MadeBody,
    path = '',
  ): Promise<void> {
    const refuse = (at: string, message: string): never => {
      const field = path + at
      throw new Problem(400, `${field}: ${message}. Nothing was written.`, [{ field, message }])
    }
    if (await db.existsBy(MadeItemEntity, { name, ...(id === null ? {} : { id: Not(id) }) }))
      refuse('name', `there is a ${name} already`)
    if (as === 'lower' && height === 0) refuse('height', 'a body of one’s own says how high the torso sits on it')
    const known = await this.catalogue.parts(pieces.map(({ part }) => part))
    for (const [i, { part: code }] of pieces.entries()) {
      const part = known.find((one) => one.code === code)
      if (!part) refuse(`pieces[${i}].part`, `there is no part ${code}`)
      else if (part.components.length > 0)
        refuse(`pieces[${i}].part`, `${code} is an assembly; lay its pieces on the board`)
    }
    const colours = await db.findBy(ColourEntity, { code: In(bands.map(({ colour }) => colour)) })
    for (const [i, { colour }] of bands.entries())
      if (!colours.some(({ code }) => code === colour)) refuse(`bands[${i}].colour`, `there is no colour ${colour}`)
  }

  /** Every take and uniform that wears the item follows it; how many outfits do. */
  private async follow(db: EntityManager, item: Wearable): Promise<number> {
    const wearing = `made IS NOT NULL AND json_extract(made, '$.item') = ?`
    const takes = await db.query<{ take: string }[]>(`SELECT DISTINCT take FROM placement WHERE ${wearing}`, [item.id])
    const outfits = new Set<string>()
    for (const { take } of takes) {
      const worn = (await db.findBy(PlacementEntity, { take })).map(placementOf)
      const after = followMade(worn, item)
      if (after === worn) continue
      await db.delete(PlacementEntity, { take })
      await db.insert(
        PlacementEntity,
        after.map((placement) => rowOf(placement, take)),
      )
      outfits.add((await db.findOneByOrFail(TakeEntity, { id: take })).outfit)
    }
    for (const id of outfits) await db.increment(OutfitEntity, { id }, 'version', 1)
    const uniforms = await db.query<{ uniform: string }[]>(
      `SELECT DISTINCT uniform FROM uniform_placement WHERE ${wearing}`,
      [item.id],
    )
    for (const { uniform } of uniforms) {
      const worn = (await db.findBy(UniformPlacementEntity, { uniform })).map(placementOf)
      await db.delete(UniformPlacementEntity, { uniform })
      await db.insert(
        UniformPlacementEntity,
        followMade(worn, item).map((placement) => uniformRowOf(placement, uniform)),
      )
      await db.increment(UniformEntity, { id: uniform }, 'version', 1)
    }
    return outfits.size
  }

  /** Outfits that wear each item in some take. */
  private async wearers(db: EntityManager): Promise<Map<string, { id: string; name: string }[]>> {
    const rows = await db.query<{ item: string; id: string; name: string }[]>(
      `SELECT DISTINCT json_extract(p.made, '$.item') AS item, o.id, o.name FROM placement p
       JOIN take t ON t.id = p.take JOIN outfit o ON o.id = t.outfit WHERE p.made IS NOT NULL ORDER BY o.name, o.id`,
    )
    const of = new Map<string, { id: string; name: string }[]>()
    for (const { item, id, name } of rows) of.set(item, [...(of.get(item) ?? []), { id, name }])
    return of
  }
}

import { Injectable } from '@nestjs/common'
import { DataSource, In, IsNull } from 'typeorm'
import { ulid } from 'ulid'
import type { Later } from '@outfit/core/roster'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ColourEntity, MouldEntity, PartEntity, PrintEntity } from '../schema/catalogue.ts'
import { MarketService } from '../market/marketService.ts'
import { OutfitEntity } from '../schema/roster.ts'
import type { NewLater } from './dto.ts'
import { LaterEntity } from '../schema/later.ts'

/** The list of what is put off. Whether a part or an offer answers an entry is looked up whenever the list is. */
@Injectable()
export class LaterService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
  ) {}

  /** All entries, the newest first; those answered since the last look are marked so. */
  async all(): Promise<Later[]> {
    await this.answer()
    const db = this.database.manager
    const entries = await db.find(LaterEntity, { order: { id: 'DESC' } })
    const outfits = await db.findBy(OutfitEntity, { id: In(entries.flatMap(({ outfit }) => outfit ?? [])) })
    const names = await this.catalogue.namesOf(
      entries
        .flatMap(({ part, answer }) => [part, answer].filter((code) => code !== null))
        .map((code) => ({ kind: 'part', code })),
    )
    const wanted = await this.wantedNames(entries)
    const models = new Map<string, string>()
    for (const { id, mould, print } of entries.filter((entry) => entry.mould !== null)) {
      const model = await db.findOne(PartEntity, {
        where: { mould: mould!, print: print === null ? IsNull() : print },
        order: { code: 'ASC' },
      })
      if (model) models.set(id, model.code)
    }
    return entries.map(({ mould: _mould, print: _print, ...entry }) => ({
      ...entry,
      outfitName: outfits.find(({ id }) => id === entry.outfit)?.name ?? null,
      waitsFor: entry.part !== null ? (names.get(entry.part) ?? entry.part) : (wanted.get(entry.id) ?? null),
      like: models.get(entry.id) ?? null,
      answerName: entry.answer === null ? null : (names.get(entry.answer) ?? entry.answer),
    }))
  }

  /** Put something off; its id. 404 where it names what there is not, 409 where something answers it already. */
  async make(entry: NewLater): Promise<{ id: string }> {
    const { outfit = null, place = null, note, like = null, colour = null, part = null, atMost = null } = entry
    const db = this.database.manager
    if (outfit !== null && !(await db.existsBy(OutfitEntity, { id: outfit }))) throw notFound('outfit', outfit)
    if ((like === null) !== (colour === null))
      throw new Problem(400, 'colour: a colour is waited for in the shape of a part. Give both, or neither.', [
        { field: 'colour', message: 'goes with like' },
      ])
    const model = like === null ? null : await db.findOneBy(PartEntity, { code: like })
    if (like !== null && !model) throw notFound('part', like)
    if (part !== null && !(await db.existsBy(PartEntity, { code: part }))) throw notFound('part', part)
    if (colour !== null && !(await db.existsBy(ColourEntity, { code: colour }))) throw notFound('colour', colour)
    const id = ulid()
    const row: LaterEntity = {
      id,
      outfit,
      place,
      note,
      mould: model?.mould ?? null,
      print: model?.print ?? null,
      colour,
      part,
      atMost,
      at: new Date().toISOString(),
      answer: null,
      answeredAt: null,
      done: false,
    }
    const there = await this.answerOf(row)
    if (there !== null)
      throw new Problem(409, `There is no need to wait: part ${there} answers it already.`, [
        { field: colour === null ? 'part' : 'colour', message: `part ${there} answers it already` },
      ])
    await this.writer.transaction((tx) => tx.insert(LaterEntity, row))
    return { id }
  }

  /** Tick something off, or open it again. 404 where there is none. */
  async setDone(id: string, done: boolean): Promise<void> {
    const { affected } = await this.writer.transaction((db) => db.update(LaterEntity, { id }, { done }))
    if (!affected) throw notFound('entry', id)
  }

  /** Take something off the list; nothing where it is not on it. */
  async drop(id: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(LaterEntity, { id }))
  }

  /** Mark open entries that something answers by now. */
  private async answer(): Promise<void> {
    const open = await this.database.getRepository(LaterEntity).findBy({ done: false })
    const found: { id: string; answer: string }[] = []
    for (const entry of open) {
      const answer = entry.answer === null ? await this.answerOf(entry) : null
      if (answer !== null) found.push({ id: entry.id, answer })
    }
    if (found.length === 0) return
    const answeredAt = new Date().toISOString()
    await this.writer.transaction(async (db) => {
      for (const { id, answer } of found) await db.update(LaterEntity, { id }, { answer, answeredAt })
    })
  }

  /** The part that answers an entry; null as long as none does, or when it waits for nothing a table can tell. */
  private async answerOf({ mould, print, colour, part, atMost }: LaterEntity): Promise<string | null> {
    if (part !== null) {
      const lowest = (await this.market.lowest()).get(part)
      return lowest !== undefined && (atMost === null || lowest <= atMost) ? part : null
    }
    if (mould === null || colour === null) return null
    const [row] = (await this.database.query(
      `SELECT code FROM part WHERE mould = ? AND print IS ? AND json_extract(colours, '$[0]') = ? ORDER BY code LIMIT 1`,
      [mould, print, colour],
    )) as { code: string }[]
    return row?.code ?? null
  }

  /** What entries for a colour wait for, in words, by id. */
  private async wantedNames(entries: readonly LaterEntity[]): Promise<Map<string, string>> {
    const db = this.database.manager
    const list = (key: 'mould' | 'print' | 'colour') => In([...new Set(entries.flatMap((entry) => entry[key] ?? []))])
    const [moulds, prints, colours] = await Promise.all([
      db.findBy(MouldEntity, { code: list('mould') }),
      db.findBy(PrintEntity, { code: list('print') }),
      db.findBy(ColourEntity, { code: list('colour') }),
    ])
    const name = (rows: readonly { code: string; name: string }[], code: string | null) =>
      rows.find((row) => row.code === code)?.name
    return new Map(
      entries
        .filter(({ colour }) => colour !== null)
        .map(({ id, mould, print, colour }) => [
          id,
          `${name(prints, print) ?? name(moulds, mould)} in ${name(colours, colour)}`,
        ]),
    )
  }
}

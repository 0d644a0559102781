import { Injectable, type OnModuleInit } from '@nestjs/common'
import type { Database } from 'better-sqlite3'
import { DataSource, In, type EntityManager } from 'typeorm'
import {
  findParts,
  searchWords,
  wordsAsked,
  type FoundParts,
  type PartColumns,
  type PartQuestion,
} from '@outfit/core/parts'
import { groupBy } from '@outfit/core/base'
import { releasesOf, shelfOf, SHELF_KEYS } from '@outfit/core/catalogue'
import { unitsOf } from '@outfit/core/drawer'
import type { TableName } from '@outfit/core/tables'
import { Changes } from '../base/changes.ts'
import { Writer } from '../base/writer.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import {
  CaseContentEntity,
  ColourEntity,
  ComponentEntity,
  FigurePartEntity,
  MouldEntity,
  PartEntity,
  PrintEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from '../schema/catalogue.ts'

export interface Found extends FoundParts {
  codes: string[]
}

/** What the words of a question found, kept while somebody scrolls and narrows. */
interface Matches {
  rows: Uint32Array
  /** Rows whose own name or code holds every word. */
  lead: Set<number>
}

const REMEMBERED = 40

/** So many parts have their words written anew one by one; after more the whole index is. */
const FEW = 300

/** Rows written to the word index in one statement. */
const CHUNK = 400

/**
 * Finds parts by words and facets. Words go through SQLite's FTS5; what the facets count lies in columns in memory, which
 * are made anew after a change of the catalogue, the drawer or the market.
 */
@Injectable()
export class FinderService implements OnModuleInit {
  private readonly columns: () => Promise<PartColumns & { rowOf: Uint32Array }>
  private readonly catalogueColumns: () => Promise<Awaited<ReturnType<FinderService['readCatalogue']>>>
  private readonly matches: () => Promise<Map<string, Matches>>

  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
    changes: Changes,
    followers: TableFollowers,
  ) {
    followers.follow((db, table, codes) => this.follow(db, table, codes))
    followers.madeFromAll((db) => this.index(db))
    this.catalogueColumns = changes.keeping(['catalogue'], () => this.readCatalogue())
    this.columns = changes.keeping(['catalogue', 'drawer', 'market'], () => this.readColumns())
    this.matches = changes.keeping(['catalogue'], () => Promise.resolve(new Map<string, Matches>()))
  }

  /** A database from before there were words to be found by gets them now. */
  async onModuleInit(): Promise<void> {
    const [{ parts, known }] = (await this.database.query(
      'SELECT (SELECT COUNT(*) FROM part) AS parts, (SELECT COUNT(*) FROM part_text) AS known',
    )) as [{ parts: number; known: number }]
    if (parts !== known) await this.writer.transaction((db) => this.index(db))
  }

  /** One page of the parts that fit, with what each facet would leave. */
  async find(text: string, question: PartQuestion, offset: number, limit: number): Promise<Found> {
    const columns = await this.columns()
    const found = wordsAsked(text).length > 0 ? await this.matching(text, columns.rowOf) : null
    const answer = findParts(columns, found?.rows ?? null, question, {
      offset,
      limit,
      ...(found ? { lead: found.lead } : {}),
    })
    return { ...answer, codes: answer.rows.map((row) => columns.codes[row]!) }
  }

  /**
   * Write the words of parts anew: of those named, or of all. Runs in the transaction of what changed them; a change of a
   * mould, print or colour changes the words of many parts.
   */
  async index(db: EntityManager, codes?: readonly string[]): Promise<void> {
    const [colours, moulds, prints] = await Promise.all([
      db.find(ColourEntity),
      db.find(MouldEntity),
      db.find(PrintEntity, { select: { code: true, name: true, traits: true } }),
    ])
    const byCode = <T extends { code: string }>(list: T[]) => new Map(list.map((entry) => [entry.code, entry]))
    const [colour, mould, print] = [byCode(colours), byCode(moulds), byCode(prints)]
    const some = codes && codes.length <= FEW ? [...codes] : null
    // The word index knows no key of its own; a few rows are found by reading it through, many by starting anew.
    if (some) await db.query(`DELETE FROM part_text WHERE code IN (${some.map(() => '?').join(', ')})`, some)
    else await db.query('DELETE FROM part_text')
    const rows = await db.find(PartEntity, { ...(some ? { where: { code: In(some) } } : {}), order: { code: 'ASC' } })
    for (let from = 0; from < rows.length; from += CHUNK) {
      const chunk = rows.slice(from, from + CHUNK)
      await db.query(
        `INSERT INTO part_text (code, name, words) VALUES ${chunk.map(() => '(?, ?, ?)').join(', ')}`,
        chunk.flatMap((part) => [
          part.code,
          part.name,
          searchWords(
            part,
            mould.get(part.mould)!,
            part.print === null ? undefined : print.get(part.print),
            part.colours.flatMap((code) => colour.get(code) ?? []),
          ),
        ]),
      )
    }
  }

  /** New parts have words of their own; new colours, moulds or prints may change those of any. */
  private async follow(db: EntityManager, table: TableName, codes: readonly string[]): Promise<never[]> {
    if (table === 'parts') await this.index(db, codes)
    else if (['colours', 'moulds', 'prints'].includes(table) && (await db.count(PartEntity)) > 0) await this.index(db)
    return []
  }

  private async matching(text: string, rowOf: Uint32Array): Promise<Matches> {
    const words = wordsAsked(text)
    const memory = await this.matches()
    const key = words.join(' ')
    const known = memory.get(key)
    if (known) return known
    const asked = words.map((word) => `"${word}"*`).join(' ')
    const rows = this.rowids(asked, rowOf).sort()
    const result = { rows, lead: new Set(this.rowids(`{code name} : (${asked})`, rowOf)) }
    memory.set(key, result)
    if (memory.size > REMEMBERED) memory.delete(memory.keys().next().value!)
    return result
  }

  /** Rows whose words answer an expression of FTS5; plain numbers straight from the driver, since there can be all of them. */
  private rowids(expression: string, rowOf: Uint32Array): Uint32Array {
    const { databaseConnection } = this.database.driver as unknown as { databaseConnection: Database }
    const ids = databaseConnection
      .prepare('SELECT rowid FROM part_text WHERE part_text MATCH ?')
      .pluck()
      .all(expression) as number[]
    return Uint32Array.from(ids, (id) => rowOf[id]!)
  }

  /** What only the catalogue decides. */
  private async readCatalogue() {
    const db = this.database.manager
    const [rowids, parts, colours, components, figureParts, loose, cases, releases] = await Promise.all([
      this.database.query('SELECT rowid AS id, code FROM part_text') as Promise<{ id: number; code: string }[]>,
      db.find(PartEntity, { select: { code: true, kind: true, colours: true, year: true }, order: { code: 'ASC' } }),
      db.find(ColourEntity, { select: { code: true, family: true } }),
      db.find(ComponentEntity),
      db.find(FigurePartEntity, { select: { figure: true, slot: true, order: true, part: true } }),
      db.find(ReleaseContentEntity, { select: { release: true, kind: true, code: true } }),
      db.find(CaseContentEntity, { select: { release: true, figure: true } }),
      db.find(ReleaseEntity, { where: { inProduction: true }, select: { code: true } }),
    ])
    const carriers = releasesOf({
      components,
      figureParts,
      contents: [...loose, ...cases.map(({ release, figure }) => ({ release, kind: 'figure' as const, code: figure }))],
    })
    const inProduction = new Set(releases.map(({ code }) => code))
    const families = [...new Set(colours.map(({ family }) => family))].sort()
    const familyOf = new Map(colours.map(({ code, family }) => [code, families.indexOf(family)]))
    const place = new Map(parts.map(({ code }, row) => [code, row]))
    const rowOf = new Uint32Array(rowids.reduce((most, { id }) => Math.max(most, id), 0) + 1)
    for (const { id, code } of rowids) rowOf[id] = place.get(code)!
    return {
      codes: parts.map(({ code }) => code),
      families,
      shelf: Uint8Array.from(parts, ({ kind }) => SHELF_KEYS.indexOf(shelfOf(kind))),
      family: Uint8Array.from(parts, ({ colours: own }) => familyOf.get(own[0]!) ?? 0),
      year: Uint16Array.from(parts, ({ year }) => year ?? 0),
      inProduction: Uint8Array.from(parts, ({ code }) =>
        Number([...(carriers.get(code) ?? [])].some((release) => inProduction.has(release))),
      ),
      releases: Uint16Array.from(parts, ({ code }) => carriers.get(code)?.size ?? 0),
      rowOf,
      components,
    }
  }

  private async readColumns() {
    const [{ components, ...catalogue }, onHand, lowest] = await Promise.all([
      this.catalogueColumns(),
      this.drawer.onHand(),
      this.market.lowest(),
    ])
    const inside = groupBy(components, ({ assembly }) => assembly)
    const owned = Int32Array.from(catalogue.codes, (code) =>
      unitsOf({ code, components: inside.get(code) ?? [] }, (part) => onHand.get(part) ?? 0),
    )
    return { ...catalogue, owned, lowest: Int32Array.from(catalogue.codes, (code) => lowest.get(code) ?? -1) }
  }
}

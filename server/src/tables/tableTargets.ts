import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { TAKING_APART } from '@outfit/core/catalogue'
import type { TableName, TableRow } from '@outfit/core/tables'
import type { Aspect } from '../base/changes.ts'
import { componentsIn } from './componentsIn.ts'
import * as catalogue from '../schema/catalogue.ts'
import * as drawer from '../schema/drawer.ts'
import * as market from '../schema/market.ts'

/** How rows of a table become rows of the database. */
export interface TableTarget<T extends TableName> {
  entity: EntityTarget<ObjectLiteral>
  /** What a change of it makes stale. */
  aspects: readonly Aspect[]
  /** What makes a row the only one of its kind; null where equal rows may repeat. */
  key: ((row: TableRow<T>) => string) | null
  /** Tables a column's codes must be in; of several, `choose` says which for a row. */
  refers: Partial<Record<keyof TableRow<T>, EntityTarget<ObjectLiteral>[]>>
  choose?: (row: TableRow<T>, entities: readonly EntityTarget<ObjectLiteral>[]) => EntityTarget<ObjectLiteral>
  /** What every row of one import carries besides; written before the first of them. */
  open?: (db: EntityManager) => Promise<ObjectLiteral>
  /** What rows are written as where one may become several; asked heap by heap. */
  spread?: (db: EntityManager, rows: readonly ObjectLiteral[]) => Promise<ObjectLiteral[]>
  /** The row as it is written. `kinds` are the kinds of moulds by code, for parts. */
  convert?: (row: TableRow<T>, kinds: ReadonlyMap<string, string>) => ObjectLiteral
}

const { PartEntity, FigureEntity, ReleaseEntity, MouldEntity, PrintEntity, ColourEntity } = catalogue
const OFFERED = { part: PartEntity, figure: FigureEntity, release: ReleaseEntity }
const byKind = (row: { kind: keyof typeof OFFERED }) => OFFERED[row.kind]
const ulid = monotonicFactory()
const code = ({ code }: { code: string }) => code

export const TABLE_TARGETS: { [T in TableName]: TableTarget<T> } = {
  colours: { entity: ColourEntity, aspects: ['catalogue'], key: code, refers: {} },
  moulds: { entity: MouldEntity, aspects: ['catalogue'], key: code, refers: {} },
  prints: { entity: PrintEntity, aspects: ['catalogue'], key: code, refers: {} },
  parts: {
    entity: PartEntity,
    aspects: ['catalogue'],
    key: code,
    refers: { mould: [MouldEntity], print: [PrintEntity], colours: [ColourEntity] },
    convert: (row, kinds) => ({ ...row, kind: kinds.get(row.mould)! }),
  },
  components: {
    entity: catalogue.ComponentEntity,
    aspects: ['catalogue', 'drawer'],
    key: (row) => `${row.assembly} ${row.slot}`,
    refers: { assembly: [PartEntity], part: [PartEntity] },
    convert: (row) => ({ ...row, level: row.level ?? TAKING_APART[row.slot] ?? 1 }),
  },
  figures: { entity: FigureEntity, aspects: ['catalogue'], key: code, refers: {} },
  'figure-parts': {
    entity: catalogue.FigurePartEntity,
    aspects: ['catalogue'],
    key: (row) => `${row.figure} ${row.slot} ${row.order}`,
    refers: { figure: [FigureEntity], part: [PartEntity] },
  },
  releases: { entity: ReleaseEntity, aspects: ['catalogue'], key: code, refers: {} },
  'release-contents': {
    entity: catalogue.ReleaseContentEntity,
    aspects: ['catalogue'],
    key: (row) => `${row.release} ${row.kind} ${row.code}`,
    refers: { release: [ReleaseEntity], code: [PartEntity, FigureEntity] },
    choose: byKind,
  },
  'case-contents': {
    entity: catalogue.CaseContentEntity,
    aspects: ['catalogue'],
    key: (row) => `${row.release} ${row.figure}`,
    refers: { release: [ReleaseEntity], figure: [FigureEntity] },
  },
  bins: {
    entity: drawer.BinEntity,
    aspects: ['drawer'],
    key: code,
    refers: { figure: [FigureEntity], parent: [drawer.BinEntity] },
  },
  owned: {
    entity: drawer.MovementEntity,
    aspects: ['drawer'],
    key: null,
    refers: { part: [PartEntity], bin: [drawer.BinEntity] },
    open: async (db) => {
      const act = ulid()
      const at = new Date().toISOString().slice(0, 10)
      await db.insert(drawer.ActEntity, { id: act, at, kind: 'imported', text: 'owned parts from a table' })
      return { act }
    },
    spread: async (db, rows) => {
      const piecesOf = await componentsIn(
        db,
        rows.map((row) => row['part'] as string),
      )
      return rows.flatMap((row) =>
        piecesOf(row['part'] as string).map(([part, times], i) => ({
          ...row,
          id: i === 0 ? (row['id'] as string) : ulid(),
          part,
          qty: (row['qty'] as number) * times,
        })),
      )
    },
    convert: ({ part, bin, qty, condition, date, reason }) => ({
      id: ulid(),
      at: date,
      part,
      from: null,
      to: bin,
      qty,
      condition,
      reason,
    }),
  },
  sellers: { entity: market.SellerEntity, aspects: ['market'], key: code, refers: {} },
  rates: {
    entity: market.RateEntity,
    aspects: ['market'],
    key: (row) => `${row.date} ${row.from} ${row.to}`,
    refers: {},
  },
  offers: {
    entity: market.OfferEntity,
    aspects: ['market'],
    key: null,
    refers: { seller: [market.SellerEntity], code: [PartEntity, FigureEntity, ReleaseEntity] },
    choose: byKind,
  },
}

import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import { monotonicFactory } from 'ulid'
import type { TableName, TableRow } from '@outfit/core/formats'
import * as catalogue from '../catalogue/entities.ts'
import * as drawer from '../drawer/entities.ts'
import * as market from '../market/entities.ts'

/** How rows of a table become rows of the database. */
export interface TableTarget<T extends TableName> {
  entity: EntityTarget<ObjectLiteral>
  /** What makes a row the only one of its kind; null where equal rows may repeat. */
  key: ((row: TableRow<T>) => string) | null
  /** Codes a row refers to, by column. */
  refers: Partial<Record<keyof TableRow<T>, (row: TableRow<T>) => EntityTarget<ObjectLiteral>>>
  convert?: (row: TableRow<T>, db: EntityManager) => Promise<ObjectLiteral> | ObjectLiteral
}

const OFFERED = { part: catalogue.PartEntity, figure: catalogue.FigureEntity, release: catalogue.ReleaseEntity }
const ulid = monotonicFactory()
const code = ({ code }: { code: string }) => code

export const TABLE_TARGETS: { [T in TableName]: TableTarget<T> } = {
  colours: { entity: catalogue.ColourEntity, key: code, refers: {} },
  moulds: { entity: catalogue.MouldEntity, key: code, refers: {} },
  prints: { entity: catalogue.PrintEntity, key: code, refers: {} },
  parts: {
    entity: catalogue.PartEntity,
    key: code,
    refers: {
      mould: () => catalogue.MouldEntity,
      print: () => catalogue.PrintEntity,
      colours: () => catalogue.ColourEntity,
    },
    convert: async (row, db) => {
      const { kind } = await db.findOneByOrFail(catalogue.MouldEntity, { code: row.mould })
      return { ...row, kind }
    },
  },
  components: {
    entity: catalogue.ComponentEntity,
    key: (row) => `${row.assembly} ${row.slot}`,
    refers: { assembly: () => catalogue.PartEntity, part: () => catalogue.PartEntity },
  },
  figures: { entity: catalogue.FigureEntity, key: code, refers: {} },
  'figure-parts': {
    entity: catalogue.FigurePartEntity,
    key: (row) => `${row.figure} ${row.slot} ${row.order}`,
    refers: { figure: () => catalogue.FigureEntity, part: () => catalogue.PartEntity },
  },
  releases: { entity: catalogue.ReleaseEntity, key: code, refers: {} },
  'release-contents': {
    entity: catalogue.ReleaseContentEntity,
    key: (row) => `${row.release} ${row.kind} ${row.code}`,
    refers: { release: () => catalogue.ReleaseEntity, code: (row) => OFFERED[row.kind] },
  },
  bins: { entity: drawer.BinEntity, key: code, refers: {} },
  owned: {
    entity: drawer.MovementEntity,
    key: null,
    refers: { part: () => catalogue.PartEntity, bin: () => drawer.BinEntity },
    convert: ({ part, bin, qty, date, reason }) => ({ id: ulid(), at: date, part, from: null, to: bin, qty, reason }),
  },
  sellers: { entity: market.SellerEntity, key: code, refers: {} },
  rates: { entity: market.RateEntity, key: (row) => `${row.date} ${row.from} ${row.to}`, refers: {} },
  offers: {
    entity: market.OfferEntity,
    key: null,
    refers: { seller: () => market.SellerEntity, code: (row) => OFFERED[row.kind] },
    convert: (row) => ({ id: ulid(), ...row }),
  },
}

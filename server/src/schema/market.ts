import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm'
import type { Standing } from '@outfit/core/market'
import type { Shipping } from '@outfit/core/sourcing'

@Entity('seller')
export class SellerEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') country: string
  @Column('text') currency: string
  @Column('integer') minimum: number
  @Column('integer') handling: number
  @Column('integer') arrivesInDays: number
  @Column('integer', { nullable: true }) rating: number | null
  @Column('text') shippingBasis: Shipping['basis']
  @Column('simple-json') shippingBands: Shipping['bands']
  @Column('text', { nullable: true }) notes: string | null
  @Column('text', { default: 'none' }) standing: Standing
}

@Entity('rate')
export class RateEntity {
  @PrimaryColumn('text') date: string
  @PrimaryColumn('text', { name: 'from_currency' }) from: string
  @PrimaryColumn('text', { name: 'to_currency' }) to: string
  @Column('real') rate: number
}

@Entity('offer')
export class OfferEntity {
  @PrimaryGeneratedColumn('increment') id: number
  /** The day its row was written; a whole list since then has said it again (`offeredOn`). */
  @Column('text') date: string
  @Column('text') seller: string
  @Column('text') kind: 'part' | 'figure' | 'release'
  @Column('text') code: string
  @Column('text') condition: 'new' | 'used'
  @Column('integer') price: number
  @Column('text') currency: string
  @Column('integer') stock: number
  @Column('integer') multiple: number
  /** Tells lines of one list apart that offer the same. */
  @Column('integer', { default: 0 }) nth: number
}

/** What a line cost from a day on until its next quote; no stock: it was gone. */
@Entity('quote')
export class QuoteEntity {
  @PrimaryColumn('text') kind: OfferEntity['kind']
  @PrimaryColumn('text') code: string
  @PrimaryColumn('text') seller: string
  @PrimaryColumn('text') condition: OfferEntity['condition']
  @PrimaryColumn('integer') multiple: number
  @PrimaryColumn('integer') nth: number
  @PrimaryColumn('text') date: string
  @Column('integer') price: number
  @Column('text') currency: string
  @Column('integer') stock: number
}

/** Where a quote sheet came from: a table, typed in, or asked of the market. */
export const SHEET_SOURCES = ['table', 'hand', 'market'] as const
export type SheetSource = (typeof SHEET_SOURCES)[number]

/** That a seller's list of a day was read. */
@Entity('quote_sheet')
export class SheetEntity {
  @PrimaryColumn('text') seller: string
  @PrimaryColumn('text') date: string
  @PrimaryColumn('text') source: SheetSource
  /** Whether it names all the seller has; then what it does not name is gone. */
  @Column('boolean') whole: boolean
  @Column('integer') lines: number
  @Column('text') readAt: string
}

/** A price something is waited for, and whether it was met. */
@Entity('price_target')
export class TargetEntity {
  @PrimaryColumn('text') id: string
  @Column('text') kind: OfferEntity['kind'] | 'outfit' | 'roster'
  @Column('text') code: string
  /** In the home currency. */
  @Column('integer') price: number
  @Column('text') setOn: string
  @Column('text', { nullable: true }) metOn: string | null
  @Column('integer', { nullable: true }) metPrice: number | null
  /** Whether the news of it was read. */
  @Column('boolean', { default: false }) seen: boolean
}

/** An order to one seller. Money is in minor units of `currency`. */
@Entity('parcel')
export class ParcelEntity {
  @PrimaryColumn('text') id: string
  /** The roster it was bought for. */
  @Column('text', { nullable: true }) roster: string | null
  @Column('text') seller: string
  @Column('text') orderedOn: string
  @Column('text', { nullable: true }) sentOn: string | null
  @Column('text') expectedOn: string
  /** null while it is on the way. */
  @Column('text', { nullable: true }) arrivedOn: string | null
  @Column('text', { nullable: true }) cancelledOn: string | null
  @Column('text') currency: string
  @Column('integer') shipping: number
  @Column('integer') handling: number
  @Column('text', { default: '' }) note: string
  /** The number the seller gave the order. */
  @Column('text', { default: '' }) number: string
  /** The plan it was ordered by. */
  @Column('text', { nullable: true }) job: string | null
  /** The act that brought in what came; null where nothing did. */
  @Column('text', { nullable: true }) act: string | null
}

@Entity('parcel_line')
export class ParcelLineEntity {
  @PrimaryColumn('text') parcel: string
  @PrimaryColumn('integer') line: number
  @Column('text', { default: 'part' }) kind: 'part' | 'figure' | 'release'
  @Column('text') code: string
  @Column('text', { default: 'used' }) condition: 'new' | 'used'
  /** Units ordered; 0 for what came without being ordered. */
  @Column('integer') qty: number
  /** Of one unit. */
  @Column('integer') price: number
  @Column('integer', { nullable: true }) offer: number | null
  /** How many came fit for use; null until it was checked in. */
  @Column('integer', { nullable: true }) arrived: number | null
  @Column('integer', { default: 0 }) damaged: number
  /** Units something else came for. */
  @Column('integer', { default: 0 }) wrong: number
}

import { Column, Entity, PrimaryColumn } from 'typeorm'
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
  @PrimaryColumn('text') id: string
  @Column('text') date: string
  @Column('text') seller: string
  @Column('text') kind: 'part' | 'figure' | 'release'
  @Column('text') code: string
  @Column('text') condition: 'new' | 'used'
  @Column('integer') price: number
  @Column('text') currency: string
  @Column('integer') stock: number
  @Column('integer') multiple: number
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
  @Column('text', { nullable: true }) offer: string | null
  /** How many came fit for use; null until it was checked in. */
  @Column('integer', { nullable: true }) arrived: number | null
  @Column('integer', { default: 0 }) damaged: number
  /** Units something else came for. */
  @Column('integer', { default: 0 }) wrong: number
}

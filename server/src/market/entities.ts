import { Column, Entity, PrimaryColumn } from 'typeorm'
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

import { IsIn, IsISO4217CurrencyCode, IsNumber, IsObject, IsOptional, Max, Min } from 'class-validator'
import { FilledText, ListOf, Text, Whole } from '../base/fields.ts'
import { IsDay } from '../base/isDay.ts'
import { MOST, SHIPPING_BASES, type Standing, STANDINGS } from '@outfit/core/market'
import { type Shipping } from '@outfit/core/sourcing'

export class Band {
  /** Amount up to which it goes; null for any. */
  @IsOptional() @IsNumber() @Min(0) @Max(MOST.band) upTo: number | null
  @Whole(0, MOST.money) price: number
}

/** Who sells, on which terms. Money is in minor units of the seller's currency. */
export class SellerBody {
  @FilledText(120) name: string
  @Text(120) country: string
  @IsISO4217CurrencyCode() currency: string
  @Whole(0, MOST.money) minimum: number
  @Whole(0, MOST.money) handling: number
  @Whole(0, 365) arrivesInDays: number
  /** One's own, out of five. */
  @IsOptional() @Whole(1, 5) rating: number | null
  @IsIn(SHIPPING_BASES) shippingBasis: Shipping['basis']
  @ListOf(() => Band, { most: 40 }) shippingBands: Band[]
  @IsOptional() @Text(2000) notes: string | null
  @IsIn(STANDINGS) standing: Standing
  /** What was read of it before it was changed; needed for a seller there is. */
  @IsOptional() @IsObject() was?: Record<string, unknown>
}

export class NewRate {
  @IsDay() date: string
  @IsISO4217CurrencyCode() from: string
  @IsISO4217CurrencyCode() to: string
  @IsNumber() @Min(0.000001) @Max(1_000_000) rate: number
}

import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsISO4217CurrencyCode,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { IsDay } from '../base/isDay.ts'
import { MOST, SHIPPING_BASES, type Standing, STANDINGS } from '@outfit/core/market'
import { type Shipping } from '@outfit/core/sourcing'

export class Band {
  /** Amount up to which it goes; null for any. */
  @IsOptional() @IsNumber() @Min(0) @Max(MOST.band) upTo: number | null
  @IsInt() @Min(0) @Max(MOST.money) price: number
}

/** Who sells, on which terms. Money is in minor units of the seller's currency. */
export class Seller {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(120) country: string
  @IsISO4217CurrencyCode() currency: string
  @IsInt() @Min(0) @Max(MOST.money) minimum: number
  @IsInt() @Min(0) @Max(MOST.money) handling: number
  @IsInt() @Min(0) @Max(365) arrivesInDays: number
  /** One's own, out of five. */
  @IsOptional() @IsInt() @Min(1) @Max(5) rating: number | null
  @IsIn(SHIPPING_BASES) shippingBasis: Shipping['basis']
  @IsArray() @ArrayMaxSize(40) @ValidateNested({ each: true }) @Type(() => Band) shippingBands: Band[]
  @IsOptional() @IsString() @MaxLength(2000) notes: string | null
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

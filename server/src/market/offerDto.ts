import { IsIn, IsInt, IsNotEmpty, IsString, Max, MaxLength, Min } from 'class-validator'
import { CONDITIONS, OFFER_KINDS } from '@outfit/core/tables'
import { MOST } from '@outfit/core/market'

/** What a seller asks for one thing. */
export class NewOffer {
  @IsIn(OFFER_KINDS) kind: (typeof OFFER_KINDS)[number]
  /** Code of the part, figure or release. */
  @IsString() @IsNotEmpty() @MaxLength(80) thing: string
  @IsIn(CONDITIONS) condition: (typeof CONDITIONS)[number]
  /** Of a unit, in minor units of the seller's currency. */
  @IsInt() @Min(0) @Max(MOST.money) price: number
  @IsInt() @Min(0) @Max(MOST.qty) stock: number
  @IsInt() @Min(1) @Max(MOST.pack) multiple: number
}

import { Type } from 'class-transformer'
import { IsIn, IsOptional } from 'class-validator'
import { FilledText, Text, Whole } from '../base/fields.ts'
import { CONDITIONS, OFFER_KINDS } from '@outfit/core/tables'
import { MOST } from '@outfit/core/market'

/** What a seller asks for one thing. */
export class NewOffer {
  @IsIn(OFFER_KINDS) kind: (typeof OFFER_KINDS)[number]
  /** Code of the part, figure or release. */
  @FilledText(80) thing: string
  @IsIn(CONDITIONS) condition: (typeof CONDITIONS)[number]
  /** Of a unit, in minor units of the seller's currency. */
  @Whole(0, MOST.money) price: number
  @Whole(0, MOST.qty) stock: number
  @Whole(1, MOST.pack) multiple: number
}

export class OffersQuery {
  /** The last offer seen. */
  @IsOptional() @Type(() => Number) @Whole(0) after: number = 0
  /** How names or codes of what is offered begin. */
  @IsOptional() @Text(200) starts: string = ''
}

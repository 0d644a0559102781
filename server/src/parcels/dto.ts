import { IsIn, IsOptional } from 'class-validator'
import { FilledText, ListOf, Text, Texts, Whole } from '../base/fields.ts'
import { IsDay } from '../base/isDay.ts'
import { OFFER_KINDS } from '@outfit/core/tables'

const MOST = 100_000

export class OrderParcels {
  /** The job of the plan, and of another way to buy the same if that is ordered. */
  @FilledText() job: string
  @IsOptional() @FilledText() variant?: string
  /** Whose baskets; everybody's unless said. */
  @IsOptional() @Texts({ most: 500 }) sellers?: string[]
}

export class ChangeParcel {
  @IsOptional() @IsDay() sentOn?: string | null
  @IsOptional() @IsDay() expectedOn?: string
  @IsOptional() @Text(2000) note?: string
  @IsOptional() @Text(120) number?: string
}

export class CheckedLine {
  @Whole(1) line: number
  /** Units fit for use, and those that were damaged or something else. */
  @Whole(0, MOST) arrived: number
  @Whole(0, MOST) damaged: number
  @Whole(0, MOST) wrong: number
  @FilledText() bin: string
}

/** Something that came without being ordered. */
export class ExtraLine {
  @IsIn(OFFER_KINDS) kind: (typeof OFFER_KINDS)[number]
  @FilledText() code: string
  @Whole(1, MOST) qty: number
  @IsIn(['new', 'used']) condition: 'new' | 'used'
  @FilledText() bin: string
}

export class CheckIn {
  @IsDay() on: string
  @ListOf(() => CheckedLine, { most: 2000 }) lines: CheckedLine[]
  @ListOf(() => ExtraLine, { most: 500 }) extras: ExtraLine[]
}

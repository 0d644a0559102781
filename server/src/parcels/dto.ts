import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { IsDay } from '../base/isDay.ts'
import { OFFER_KINDS } from '@outfit/core/tables'

const MOST = 100_000

export class OrderParcels {
  /** The job of the plan, and of another way to buy the same if that is ordered. */
  @IsString() @IsNotEmpty() job: string
  @IsOptional() @IsString() @IsNotEmpty() variant?: string
  /** Whose baskets; everybody's unless said. */
  @IsOptional() @IsArray() @ArrayMaxSize(500) @IsString({ each: true }) sellers?: string[]
}

export class ChangeParcel {
  @IsOptional() @IsDay() sentOn?: string | null
  @IsOptional() @IsDay() expectedOn?: string
  @IsOptional() @IsString() @MaxLength(2000) note?: string
  @IsOptional() @IsString() @MaxLength(120) number?: string
}

export class CheckedLine {
  @IsInt() @Min(1) line: number
  /** Units fit for use, and those that were damaged or something else. */
  @IsInt() @Min(0) @Max(MOST) arrived: number
  @IsInt() @Min(0) @Max(MOST) damaged: number
  @IsInt() @Min(0) @Max(MOST) wrong: number
  @IsString() @IsNotEmpty() bin: string
}

/** Something that came without being ordered. */
export class ExtraLine {
  @IsIn(OFFER_KINDS) kind: (typeof OFFER_KINDS)[number]
  @IsString() @IsNotEmpty() code: string
  @IsInt() @Min(1) @Max(MOST) qty: number
  @IsIn(['new', 'used']) condition: 'new' | 'used'
  @IsString() @IsNotEmpty() bin: string
}

export class CheckIn {
  @IsDay() on: string
  @IsArray() @ArrayMaxSize(2000) @ValidateNested({ each: true }) @Type(() => CheckedLine) lines: CheckedLine[]
  @IsArray() @ArrayMaxSize(500) @ValidateNested({ each: true }) @Type(() => ExtraLine) extras: ExtraLine[]
}

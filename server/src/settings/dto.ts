import {
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsPositive,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator'
import { SCHOOLS, type School } from '@outfit/core/roster'
import { FULL_SIZE_LIMITS, LENGTHS, LOCALES, type Length, type Locale } from '@outfit/core/base'
import type { Level } from '@outfit/core/catalogue'
import {
  LABEL_SHEET_NAMES,
  PAPER_NAMES,
  RHYTHMS,
  THEMES,
  type LabelSheetName,
  type MarketRhythm,
  type Paper,
  type Rhythm,
  type Theme,
} from '@outfit/core/settings'
import { CurrencyCode, One, Text, Texts, Whole } from '../base/fields.ts'

/** An address without a name or password in it, or nothing. */
const SERVICE = /^(https?:\/\/[^\s/@?#]+(\/[^\s?#]*)?)?$/
const TIME = /^([01]\d|2[0-3]):[0-5]\d$/

class RhythmBody implements MarketRhythm {
  @IsIn(RHYTHMS) every: Rhythm
  @Matches(TIME, { message: 'quietFrom must be a time such as 22:00' }) quietFrom: string
  @Matches(TIME, { message: 'quietTo must be a time such as 07:00' }) quietTo: string
}

/** What is to be otherwise; what is not named stays. */
export class ChangeSettings {
  @IsOptional() @IsIn(THEMES) look?: Theme
  @IsOptional() @IsIn(LOCALES) locale?: Locale
  @IsOptional() @IsIn(LENGTHS) length?: Length
  @IsOptional() @Max(FULL_SIZE_LIMITS.most) @Min(FULL_SIZE_LIMITS.least) @IsNumber() fullSize?: number
  @IsOptional()
  @MaxLength(300)
  @Matches(SERVICE, { message: 'marketService must be an address such as https://prices.example' })
  marketService?: string
  @IsOptional() @One(() => RhythmBody) asks?: RhythmBody
  @IsOptional() @IsBoolean() singleKeys?: boolean
  @IsOptional() @IsBoolean() lessMotion?: boolean
  @IsOptional() @IsIn(SCHOOLS) school?: School
  @ValidateIf((_, value) => value !== null && value !== undefined) @Whole(0, 4) takingApart?: Level | null
  @IsOptional() @Whole(0, 1_000_000) worth?: number
  @IsOptional() @IsIn(PAPER_NAMES) paper?: Paper
  @IsOptional() @IsIn(LABEL_SHEET_NAMES) labels?: LabelSheetName
  @IsOptional() @Text(80) maker?: string
  @IsOptional() @IsBoolean() wholeCatalogue?: boolean
  @IsOptional() @Texts({ most: 5000 }) wholeMoulds?: string[]
  @IsOptional() @IsBoolean() dailyCopies?: boolean
}

/** Another home currency; `rate` is what one unit of the present one is worth in it, where no rate is known yet. */
export class ChangeHome {
  @CurrencyCode() currency: string
  @IsOptional() @IsPositive() @Max(1e9) @IsNumber() rate?: number
}

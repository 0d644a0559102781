import { IsBoolean, IsIn, IsNumber, IsOptional, IsPositive, Max } from 'class-validator'
import { SCHOOLS, type School } from '@outfit/core/roster'
import { THEMES, type Theme } from '@outfit/core/settings'
import { CurrencyCode, Text, Texts } from '../base/fields.ts'

/** What is to be otherwise; what is not named stays. */
export class ChangeSettings {
  @IsOptional() @IsIn(THEMES) look?: Theme
  @IsOptional() @IsBoolean() singleKeys?: boolean
  @IsOptional() @IsBoolean() lessMotion?: boolean
  @IsOptional() @IsIn(SCHOOLS) school?: School
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

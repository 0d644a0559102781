import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator'
import {
  FACES,
  OWN_ALTERATIONS,
  SCHOOLS,
  SKINS,
  type Faces,
  type OwnAlteration,
  type School,
  type Skins,
} from '@outfit/core/roster'
import type { Level } from '@outfit/core/catalogue'

class ExcludedDto {
  @IsArray() @ArrayMaxSize(50) @IsString({ each: true }) figures: string[]
  @IsArray() @ArrayMaxSize(50) @IsString({ each: true }) releases: string[]
}

/** Switches of house rules; one that is missing stays as the school, or the roster, has it. */
export class SwitchesDto {
  @IsOptional() @IsInt() @Min(0) @Max(4) takingApart?: Level
  @IsOptional() @IsArray() @IsIn(OWN_ALTERATIONS, { each: true }) alterations?: OwnAlteration[]
  @IsOptional() @IsBoolean() byOthers?: boolean
  /** null for any number. */
  @IsOptional() @IsInt() @Min(1) @Max(20) mostMainColours?: number | null
  @IsOptional() @IsBoolean() turnedTorsos?: boolean
  @IsOptional() @IsIn(FACES) faces?: Faces
  @IsOptional() @IsBoolean() sameHead?: boolean
  @IsOptional() @IsIn(SKINS) skins?: Skins
  @IsOptional() @IsBoolean() mixedStyles?: boolean
  /** Home currency, minor units; null for no limit. */
  @IsOptional() @IsInt() @Min(0) @Max(100_000_000) spendingLimit?: number | null
  @IsOptional() @ValidateNested() @Type(() => ExcludedDto) excluded?: ExcludedDto
}

/** The house rules of a roster from now on; refused when `version` is not its newest. */
export class SaveRosterRules {
  @IsInt() @Min(1) version: number
  @IsIn(SCHOOLS) school: School
  @ValidateNested() @Type(() => SwitchesDto) switches: SwitchesDto
}

/** What differs for one outfit, and why; without switches it keeps to the roster again. */
export class SaveOutfitRules {
  @IsInt() @Min(1) version: number
  @ValidateNested() @Type(() => SwitchesDto) switches: SwitchesDto
  @ValidateIf(({ switches }: SaveOutfitRules) => Object.values(switches ?? {}).some((value) => value !== undefined))
  @IsString()
  @MaxLength(300)
  reason: string
}

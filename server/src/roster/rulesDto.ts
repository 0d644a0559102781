import { IsArray, IsBoolean, IsIn, IsOptional, ValidateIf } from 'class-validator'
import { One, Text, Texts, Whole } from '../base/fields.ts'
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
  @Texts({ most: 50 }) figures: string[]
  @Texts({ most: 50 }) releases: string[]
}

/** Switches of house rules; one that is missing stays as the school, or the roster, has it. */
export class SwitchesDto {
  @IsOptional() @Whole(0, 4) takingApart?: Level
  @IsOptional() @IsArray() @IsIn(OWN_ALTERATIONS, { each: true }) alterations?: OwnAlteration[]
  @IsOptional() @IsBoolean() byOthers?: boolean
  /** null for any number. */
  @IsOptional() @Whole(1, 20) mostMainColours?: number | null
  @IsOptional() @IsBoolean() turnedTorsos?: boolean
  @IsOptional() @IsIn(FACES) faces?: Faces
  @IsOptional() @IsBoolean() sameHead?: boolean
  @IsOptional() @IsIn(SKINS) skins?: Skins
  @IsOptional() @IsBoolean() mixedStyles?: boolean
  /** Home currency, minor units; null for no limit. */
  @IsOptional() @Whole(0, 100_000_000) spendingLimit?: number | null
  @IsOptional() @One(() => ExcludedDto) excluded?: ExcludedDto
}

/** The house rules of a roster from now on; refused when `version` is not its newest. */
export class SaveRosterRules {
  @Whole(1) version: number
  @IsIn(SCHOOLS) school: School
  @One(() => SwitchesDto) switches: SwitchesDto
}

/** What differs for one outfit, and why; without switches it keeps to the roster again. */
export class SaveOutfitRules {
  @Whole(1) version: number
  @One(() => SwitchesDto) switches: SwitchesDto
  @ValidateIf(({ switches }: SaveOutfitRules) => Object.values(switches ?? {}).some((value) => value !== undefined))
  @Text(300)
  reason: string
}

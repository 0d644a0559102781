import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import {
  ABILITIES,
  BRIEF_TRAITS,
  type Place,
  PLACES,
  type Stature,
  STATURES,
  type Weight,
  WEIGHTS,
} from '@outfit/core/brief'

export class WishDto {
  @IsIn(PLACES) place: Place
  @IsIn(BRIEF_TRAITS.map(({ key }) => key)) trait: string
  @IsString() @IsNotEmpty() @MaxLength(80) target: string
  @IsIn(Object.keys(WEIGHTS)) weight: Weight
}

export class AvoidDto {
  @IsArray() @ArrayMaxSize(50) @IsString({ each: true }) figures: string[]
  @IsArray() @ArrayMaxSize(50) @IsString({ each: true }) releases: string[]
  @IsBoolean() byOthers: boolean
  @IsOptional() @IsInt() @Min(0) @Max(10_000_000) priceAbove: number | null = null
}

export class BriefDto {
  @IsArray() @ArrayMaxSize(120) @ValidateNested({ each: true }) @Type(() => WishDto) wishes: WishDto[]
  @IsIn(STATURES) stature: Stature
  @IsIn(Object.keys(WEIGHTS)) statureWeight: Weight
  @IsOptional() @IsInt() @Min(0) @Max(150) years: number | null = null
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsIn(ABILITIES.map(({ key }) => key), { each: true })
  abilities: string[] = []
  @ValidateNested() @Type(() => AvoidDto) avoid: AvoidDto
  @IsString() @MaxLength(4000) notes: string
  @IsString() @MaxLength(1000) credits: string
}

/** What an outfit must show from now on; refused when `version` is not the newest of its brief (0 before the first). */
export class SaveBrief {
  @IsInt() @Min(0) version: number
  @ValidateNested() @Type(() => BriefDto) brief: BriefDto
}

export class NewReference {
  @Matches(/^[0-9a-f]{64}$/, { message: 'photo must be the hash of a kept photo' }) photo: string
  @IsString() @MaxLength(200) caption: string
  /** Of this outfit alone, not of every outfit of the character. */
  @IsBoolean() ownOutfit: boolean
}

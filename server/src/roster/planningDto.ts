import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsNotEmpty,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { STATURES, type Stature } from '@outfit/core/brief'
import { SCHOOLS, type School } from '@outfit/core/roster'
import { PlacementDto } from './dto.ts'
import { SwitchesDto } from './rulesDto.ts'

/** A roster that begins with nobody in it. */
export class NewRoster {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(2000) note: string
  @IsIn(SCHOOLS) school: School
  /** Home currency, minor units; null for none. */
  @IsOptional() @IsInt() @Min(0) @Max(1_000_000_000) budget: number | null = null
  /** A day such as 2027-06-05; null for none. */
  @IsOptional()
  @IsISO8601({ strict: true })
  @Length(10, 10, { message: 'dueOn must be a date like 2027-06-05' })
  dueOn: string | null = null
}

/** What a roster is called and limited by. What is left out stays, or is not compared. */
export class RosterFacts {
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(120) name?: string
  @IsOptional() @IsString() @MaxLength(2000) note?: string
  @IsOptional() @IsInt() @Min(0) @Max(1_000_000_000) budget?: number | null
  @IsOptional()
  @IsISO8601({ strict: true })
  @Length(10, 10, { message: 'dueOn must be a date like 2027-06-05' })
  dueOn?: string | null
}

/** A change of a roster, with what was there when it was made. */
export class ChangeRoster {
  @ValidateNested() @Type(() => RosterFacts) set: RosterFacts
  @ValidateNested() @Type(() => RosterFacts) was: RosterFacts
}

class PlannedCharacter {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(80) faction: string
  @IsOptional() @IsInt() @Min(0) @Max(150) years: number | null = null
  @IsString() @MaxLength(4000) notes: string
}

/** Characters to be planned, each with one outfit that wears nothing yet. */
export class AddCharacters {
  @IsInt() @Min(1) version: number
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => PlannedCharacter)
  characters: PlannedCharacter[]
}

/** One more outfit of a character: dressed and briefed as another, or empty. */
export class AnotherOutfit {
  @IsString() @IsNotEmpty() character: string
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsOptional() @IsString() @IsNotEmpty() from?: string
  @IsOptional() @IsInt() @Min(0) @Max(150) years: number | null = null
}

/** What is planned of an outfit. What is left out stays, or is not compared. */
export class OutfitFacts {
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(120) name?: string
  @IsOptional() @IsString() @MaxLength(80) faction?: string
  @IsOptional() @IsIn(STATURES) stature?: Stature
  @IsOptional() @IsString() @IsNotEmpty() base?: string | null
  @IsOptional() @ValidateNested() @Type(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @IsString() @MaxLength(300) switchesReason?: string
}

class OutfitChange {
  @IsString() @IsNotEmpty() id: string
  @ValidateNested() @Type(() => OutfitFacts) set: OutfitFacts
  @ValidateNested() @Type(() => OutfitFacts) was: OutfitFacts
}

/** Changes of outfits of a roster, many at once, each with what was there when it was made. */
export class ChangeOutfits {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => OutfitChange)
  outfits: OutfitChange[]
}

class MoveDto {
  @IsString() @IsNotEmpty() outfit: string
  @IsString() @MaxLength(80) faction: string
  /** The outfit it is put before; null for the end of the faction. */
  @IsOptional() @IsString() @IsNotEmpty() before: string | null = null
}

/** Outfits put elsewhere on their shelf, one after the other. */
export class ArrangeOutfits {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @ValidateNested({ each: true })
  @Type(() => MoveDto)
  moves: MoveDto[]
}

/** Outfits of a roster by id. */
export class SomeOutfits {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(500) @IsString({ each: true }) outfits: string[]
}

/** Outfits moved over to another roster, with their characters. */
export class MoveOver extends SomeOutfits {
  @IsString() @IsNotEmpty() to: string
}

export class NewUniform {
  @IsString() @IsNotEmpty() @MaxLength(80) name: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

class WornDto {
  @IsString() @IsNotEmpty() outfit: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

export class SaveUniform {
  @IsInt() @Min(1) version: number
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
  /** What outfits that share it wear again, in place of following the change. */
  @IsOptional() @IsArray() @ArrayMaxSize(500) @ValidateNested({ each: true }) @Type(() => WornDto) restore?: WornDto[]
}

class UniformedDto {
  @IsString() @IsNotEmpty() outfit: string
  @IsOptional() @IsString() @IsNotEmpty() uniform: string | null = null
  /** What it wears then; without, what it wears now, or its uniform. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PlacementDto)
  placements?: PlacementDto[]
}

/** Outfits into uniforms, or out of theirs with null. */
export class JoinUniforms {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => UniformedDto)
  outfits: UniformedDto[]
  /** Wear the uniform at once; else only what they wear alike already counts. */
  @IsBoolean() dressed: boolean
}

class HeadOfAgeDto {
  @IsInt() @Min(0) @Max(150) from: number
  @IsString() @IsNotEmpty() head: string
}

/** Heads a character has by age; none for one head in every outfit. */
export class SaveHeads {
  @IsArray() @ArrayMaxSize(12) @ValidateNested({ each: true }) @Type(() => HeadOfAgeDto) heads: HeadOfAgeDto[]
}

/** What outfits wear as heads and headgear from now on, all or none; a slot that is not named stays as it is. */
export class WearHeads {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => WornDto)
  outfits: WornDto[]
}

export class Preference {
  @IsString() @IsNotEmpty() better: string
  @IsString() @IsNotEmpty() worse: string
}

/** A picture of some outfits was taken away. */
export class ShownAs extends SomeOutfits {
  @IsIn(['card', 'line-up', 'comparison']) how: string
}

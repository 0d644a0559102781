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
import { STATURES, type Stature } from '@outfit/core/brief'
import { OmitType } from '@nestjs/swagger'
import { NewLater } from '../later/dto.ts'
import { BriefDto } from '../brief/dto.ts'
import { SLOTS, type Slot } from '@outfit/core/catalogue'

export class PlacementDto {
  @IsIn(SLOTS) slot: Slot
  @IsString() @IsNotEmpty() part: string
  @IsInt() @Min(0) @Max(20) order: number
  @IsBoolean() turned: boolean
}

/** What is worn in a take from now on; refused when `version` is not the newest of the outfit. */
export class SavePlacements {
  @IsInt() @Min(1) version: number
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

export class NewTake {
  @IsInt() @Min(1) version: number
  /** The take to copy … */
  @IsOptional() @IsString() @IsNotEmpty() from?: string
  /** … or what the new one wears. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PlacementDto)
  placements?: PlacementDto[]
  /** What it is called; the next free letter unless told. */
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(40) label?: string
}

export class RenameTake {
  @IsInt() @Min(1) version: number
  @IsString() @IsNotEmpty() @MaxLength(40) label: string
}

export class RemoveTake {
  @IsInt() @Min(1) version: number
}

export class ChooseTake {
  @IsInt() @Min(1) version: number
  @IsString() @IsNotEmpty() take: string
  /** The verdict: why this one. */
  @IsOptional() @IsString() @MaxLength(500) reason?: string
}

export class CastVote {
  @IsInt() @Min(1) version: number
  @IsString() @IsNotEmpty() @MaxLength(60) voter: string
  /** null takes the voice back. */
  @IsOptional() @IsString() @IsNotEmpty() take?: string | null
}

export class AcceptPin {
  @IsInt() @Min(1) version: number
  /** Rule and slots of the pin. */
  @IsString() @IsNotEmpty() @MaxLength(120) pin: string
  /** What the pin says now. */
  @IsString() @MaxLength(500) cause: string
  /** Why it is wanted; empty sticks the pin back in. */
  @IsString() @MaxLength(300) reason: string
}

class TakeImport {
  @IsString() @IsNotEmpty() @MaxLength(40) label: string
  @IsBoolean() chosen: boolean
  @IsOptional() @IsString() @MaxLength(500) reason?: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

class ReferenceImport {
  @Matches(/^[0-9a-f]{64}$/, { message: 'photo must be the hash of a kept photo' }) photo: string
  @IsString() @MaxLength(200) caption: string
}

class OutfitImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(80) faction: string
  @IsIn(STATURES) stature: Stature
  @IsOptional() @ValidateNested() @Type(() => BriefDto) brief?: BriefDto
  @IsOptional() @IsArray() @ValidateNested({ each: true }) @Type(() => ReferenceImport) references?: ReferenceImport[]
  @IsArray() @ValidateNested({ each: true }) @Type(() => TakeImport) takes: TakeImport[]
}

class CharacterImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsArray() @ValidateNested({ each: true }) @Type(() => OutfitImport) outfits: OutfitImport[]
}

export class RosterImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(2000) note: string
  @IsIn(['as-released', 'exchange-only', 'altered', 'open-bench']) rules: string
  @IsOptional() @IsInt() @Min(0) budget?: number
  @Matches(/^[A-Z]{3}$/) currency: string
  @IsOptional() @Matches(/^\d{4}-\d{2}-\d{2}$/) dueOn?: string
  @IsArray() @ValidateNested({ each: true }) @Type(() => CharacterImport) characters: CharacterImport[]
}

/** Something put off about an outfit of the file, named by its name. */
class LaterImport extends OmitType(NewLater, ['outfit']) {
  @IsOptional() @IsString() outfit?: string
}

/** Rosters as a JSON file: the shape of demo/world/rosters.json. */
export class RostersFile {
  @IsIn(['outfit.rosters']) format: string
  @IsIn([1]) version: number
  @IsArray() @ValidateNested({ each: true }) @Type(() => RosterImport) rosters: RosterImport[]
  @IsOptional() @IsArray() @ValidateNested({ each: true }) @Type(() => LaterImport) later?: LaterImport[]
}

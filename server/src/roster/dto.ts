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
  /** The take to copy. */
  @IsString() @IsNotEmpty() from: string
}

export class ChooseTake {
  @IsInt() @Min(1) version: number
  @IsString() @IsNotEmpty() take: string
}

class TakeImport {
  @IsString() @IsNotEmpty() @MaxLength(40) label: string
  @IsBoolean() chosen: boolean
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

class OutfitImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(80) faction: string
  @IsIn(['short', 'middle', 'full', 'raised']) stature: string
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

/** Rosters as a JSON file: the shape of demo/world/rosters.json. */
export class RostersFile {
  @IsIn(['outfit.rosters']) format: string
  @IsIn([1]) version: number
  @IsArray() @ValidateNested({ each: true }) @Type(() => RosterImport) rosters: RosterImport[]
}

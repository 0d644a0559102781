import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  Equals,
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
  ValidateIf,
  ValidateNested,
} from 'class-validator'
import { IsDay } from '../base/isDay.ts'
import { STATURES, type Stature } from '@outfit/core/brief'
import { OmitType } from '@nestjs/swagger'
import { NewLater } from '../later/dto.ts'
import { BriefDto } from '../brief/dto.ts'
import { ALTERATION_KINDS, SLOTS, type AlterationKind, type Slot } from '@outfit/core/catalogue'
import { SCHOOLS } from '@outfit/core/roster'
import { SwitchesDto } from './rulesDto.ts'

class AlterationDto {
  @IsIn(ALTERATION_KINDS) kind: AlterationKind
  /** Code of the paint's colour; painted parts have one. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'painted')
  @IsString()
  @IsNotEmpty()
  colour?: string
  /** Code of the print a sticker shows. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'sticker')
  @IsString()
  @IsNotEmpty()
  print?: string
  /** Percent of its length that is taken off. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'trimmed' || kind === 'cut')
  @IsInt()
  @Min(5)
  @Max(80)
  share?: number
  @IsString() @MaxLength(300) note: string
  /** It has been done; left out while it is planned. */
  @IsOptional() @Equals(true) final?: true
}

export class PlacementDto {
  @IsIn(SLOTS) slot: Slot
  @IsString() @IsNotEmpty() part: string
  @IsInt() @Min(0) @Max(20) order: number
  @IsBoolean() turned: boolean
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(6)
  @ValidateNested({ each: true })
  @Type(() => AlterationDto)
  altered?: AlterationDto[]
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

class HeadImport {
  /** Age in years from which the character has this head. */
  @IsInt() @Min(0) @Max(150) from: number
  @IsString() @IsNotEmpty() head: string
}

class OutfitImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(80) faction: string
  @IsIn(STATURES) stature: Stature
  @IsOptional() @ValidateNested() @Type(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @IsString() @MaxLength(300) switchesReason?: string
  /** Code of the released figure it began with. */
  @IsOptional() @IsString() @IsNotEmpty() base?: string
  /** Name of a uniform of the roster. */
  @IsOptional() @IsString() @IsNotEmpty() uniform?: string
  /** The day it was built; its parts are then taken from the drawer. */
  @IsOptional() @IsDay() built?: string
  /** The day a picture of it was taken away. */
  @IsOptional() @IsDay() shown?: string
  @IsOptional() @ValidateNested() @Type(() => BriefDto) brief?: BriefDto
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => ReferenceImport)
  references?: ReferenceImport[]
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => TakeImport) takes: TakeImport[]
}

export class CharacterImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => HeadImport)
  heads?: HeadImport[]
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => OutfitImport) outfits: OutfitImport[]
}

class UniformImport {
  @IsString() @IsNotEmpty() @MaxLength(80) name: string
  @IsArray() @ArrayMaxSize(60) @ValidateNested({ each: true }) @Type(() => PlacementDto) placements: PlacementDto[]
}

class ParcelLineImport {
  @IsString() @IsNotEmpty() part: string
  @IsInt() @Min(1) qty: number
  /** Of one unit, in minor units of the parcel's currency. */
  @IsInt() @Min(0) price: number
  @IsOptional() @IsInt() @Min(0) arrived?: number
}

class ParcelImport {
  @IsString() @IsNotEmpty() seller: string
  @IsDay() orderedOn: string
  @IsDay() expectedOn: string
  @IsOptional() @IsDay() arrivedOn?: string
  @Matches(/^[A-Z]{3}$/) currency: string
  @IsInt() @Min(0) shipping: number
  @IsInt() @Min(0) handling: number
  @IsArray() @ArrayMaxSize(500) @ValidateNested({ each: true }) @Type(() => ParcelLineImport) lines: ParcelLineImport[]
}

class PreferenceImport {
  /** Names of outfits. */
  @IsString() @IsNotEmpty() better: string
  @IsString() @IsNotEmpty() worse: string
  @IsDay() at: string
}

export class RosterImport {
  @IsString() @IsNotEmpty() @MaxLength(120) name: string
  @IsString() @MaxLength(2000) note: string
  @IsIn(SCHOOLS) rules: string
  @IsOptional() @ValidateNested() @Type(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @IsInt() @Min(0) budget?: number
  @Matches(/^[A-Z]{3}$/) currency: string
  @IsOptional() @IsDay() dueOn?: string
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => UniformImport)
  uniforms?: UniformImport[]
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => ParcelImport)
  parcels?: ParcelImport[]
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(2000)
  @ValidateNested({ each: true })
  @Type(() => PreferenceImport)
  preferences?: PreferenceImport[]
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
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(2000)
  @ValidateNested({ each: true })
  @Type(() => LaterImport)
  later?: LaterImport[]
}

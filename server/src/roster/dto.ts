import { Equals, IsBoolean, IsIn, IsOptional, IsString, Matches, ValidateIf } from 'class-validator'
import { CurrencyCode, FilledText, ListOf, One, Text, Whole } from '../base/fields.ts'
import { IsDay } from '../base/isDay.ts'
import { STATURES, type Stature } from '@outfit/core/brief'
import { OmitType } from '@nestjs/swagger'
import { NewLater } from '../later/dto.ts'
import { BriefDto } from '../brief/dto.ts'
import { ALTERATION_KINDS, SLOTS, type AlterationKind, type Slot } from '@outfit/core/catalogue'
import { MadeBody, MadeOfDto } from '../made/dto.ts'
import { SCHOOLS } from '@outfit/core/roster'
import { SwitchesDto } from './rulesDto.ts'
import { SeriesDto } from './seriesDto.ts'

export class AlterationDto {
  @IsIn(ALTERATION_KINDS) kind: AlterationKind
  /** Code of the paint's colour; painted parts have one. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'painted')
  @FilledText()
  colour?: string
  /** Code of the print a sticker shows. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'sticker')
  @FilledText()
  print?: string
  /** Percent of its length that is taken off. */
  @ValidateIf(({ kind }: AlterationDto) => kind === 'trimmed' || kind === 'cut')
  @Whole(5, 80)
  share?: number
  @Text(300) note: string
  /** It has been done; left out while it is planned. */
  @IsOptional() @Equals(true) final?: true
}

export class PlacementDto {
  @IsIn(SLOTS) slot: Slot
  @FilledText() part: string
  @Whole(0, 60) order: number
  @IsBoolean() turned: boolean
  @IsOptional()
  @ListOf(() => AlterationDto, { most: 6 })
  altered?: AlterationDto[]
  /** Where it is a piece of something made of several parts. */
  @IsOptional() @One(() => MadeOfDto) made?: MadeOfDto
}

/** What is worn in a take from now on; refused when `version` is not the newest of the outfit. */
export class SavePlacements {
  @Whole(1) version: number
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
}

export class NewTake {
  @Whole(1) version: number
  /** The take to copy … */
  @IsOptional() @FilledText() from?: string
  /** … or what the new one wears. */
  @IsOptional()
  @ListOf(() => PlacementDto, { most: 60 })
  placements?: PlacementDto[]
  /** What it is called; the next free letter unless told. */
  @IsOptional() @FilledText(40) label?: string
}

export class RenameTake {
  @Whole(1) version: number
  @FilledText(40) label: string
}

export class RemoveTake {
  @Whole(1) version: number
}

export class ChooseTake {
  @Whole(1) version: number
  @FilledText() take: string
  /** The verdict: why this one. */
  @IsOptional() @Text(500) reason?: string
}

export class CastVote {
  @Whole(1) version: number
  @FilledText(60) voter: string
  /** null takes the voice back. */
  @IsOptional() @FilledText() take?: string | null
}

export class AcceptPin {
  @Whole(1) version: number
  /** Rule and slots of the pin. */
  @FilledText(120) pin: string
  /** What the pin says now. */
  @Text(500) cause: string
  /** Why it is wanted; empty sticks the pin back in. */
  @Text(300) reason: string
}

class MadeWornImport {
  @IsIn(SLOTS) slot: Slot
  @FilledText(80) name: string
}

class TakeImport {
  @FilledText(40) label: string
  @IsBoolean() chosen: boolean
  @IsOptional() @Text(500) reason?: string
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
  /** What it wears besides that is made of several parts, by its name in the file. */
  @IsOptional()
  @ListOf(() => MadeWornImport, { most: 10 })
  made?: MadeWornImport[]
}

class ReferenceImport {
  @Matches(/^[0-9a-f]{64}$/, { message: 'photo must be the hash of a kept photo' }) photo: string
  @Text(200) caption: string
}

class HeadImport {
  /** Age in years from which the character has this head. */
  @Whole(0, 150) from: number
  @FilledText() head: string
}

class OutfitImport {
  @FilledText(120) name: string
  @Text(80) faction: string
  @IsIn(STATURES) stature: Stature
  @IsOptional() @One(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @Text(300) switchesReason?: string
  /** Code of the released figure it began with. */
  @IsOptional() @FilledText() base?: string
  /** Name of a uniform of the roster. */
  @IsOptional() @FilledText() uniform?: string
  /** The day it was built; its parts are then taken from the drawer. */
  @IsOptional() @IsDay() built?: string
  /** The day a picture of it was taken away. */
  @IsOptional() @IsDay() shown?: string
  @IsOptional() @One(() => BriefDto) brief?: BriefDto
  @IsOptional()
  @ListOf(() => ReferenceImport, { most: 50 })
  references?: ReferenceImport[]
  @ListOf(() => TakeImport, { most: 60 }) takes: TakeImport[]
}

export class CharacterImport {
  @FilledText(120) name: string
  @IsOptional()
  @ListOf(() => HeadImport, { most: 60 })
  heads?: HeadImport[]
  @ListOf(() => OutfitImport, { most: 60 }) outfits: OutfitImport[]
}

class UniformImport {
  @FilledText(80) name: string
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
}

class ParcelLineImport {
  @FilledText() part: string
  @Whole(1) qty: number
  /** Of one unit, in minor units of the parcel's currency. */
  @Whole(0) price: number
  @IsOptional() @Whole(0) arrived?: number
}

class ParcelImport {
  @FilledText() seller: string
  @IsDay() orderedOn: string
  @IsDay() expectedOn: string
  @IsOptional() @IsDay() arrivedOn?: string
  @CurrencyCode() currency: string
  @Whole(0) shipping: number
  @Whole(0) handling: number
  @ListOf(() => ParcelLineImport, { most: 500 }) lines: ParcelLineImport[]
}

class PreferenceImport {
  /** Names of outfits. */
  @FilledText() better: string
  @FilledText() worse: string
  @IsDay() at: string
}

export class RosterImport {
  @FilledText(120) name: string
  @Text(2000) note: string
  @IsIn(SCHOOLS) rules: string
  @IsOptional() @One(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @Whole(0) budget?: number
  @CurrencyCode() currency: string
  @IsOptional() @IsDay() dueOn?: string
  @IsOptional()
  @ListOf(() => UniformImport, { most: 60 })
  uniforms?: UniformImport[]
  @IsOptional()
  @ListOf(() => ParcelImport, { most: 200 })
  parcels?: ParcelImport[]
  @IsOptional()
  @ListOf(() => PreferenceImport, { most: 2000 })
  preferences?: PreferenceImport[]
  /** As a numbered series; outfits by their names. */
  @IsOptional() @One(() => SeriesDto) series?: SeriesDto
  @ListOf(() => CharacterImport) characters: CharacterImport[]
}

/** Something put off about an outfit of the file, named by its name. */
class LaterImport extends OmitType(NewLater, ['outfit']) {
  @IsOptional() @IsString() outfit?: string
}

/** Rosters as a JSON file: the shape of demo/world/rosters.json. */
export class RostersFile {
  @IsIn(['outfit.rosters']) format: string
  @IsIn([1]) version: number
  /** Things made of several parts that its outfits wear; one there is already by that name stays as it is. */
  @IsOptional()
  @ListOf(() => MadeBody, { most: 500 })
  made?: MadeBody[]
  @ListOf(() => RosterImport) rosters: RosterImport[]
  @IsOptional()
  @ListOf(() => LaterImport, { most: 2000 })
  later?: LaterImport[]
}

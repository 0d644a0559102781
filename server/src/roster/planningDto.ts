import { IsBoolean, IsIn, IsISO8601, IsOptional, Length } from 'class-validator'
import { FilledText, ListOf, One, Text, Texts, Whole } from '../base/fields.ts'
import { STATURES, type Stature } from '@outfit/core/brief'
import { SCHOOLS, type School } from '@outfit/core/roster'
import { BriefDto } from '../brief/dto.ts'
import { PlacementDto } from './dto.ts'
import { SwitchesDto } from './rulesDto.ts'

/** A roster that begins with nobody in it. */
export class NewRoster {
  @FilledText(120) name: string
  @Text(2000) note: string
  @IsIn(SCHOOLS) school: School
  /** Home currency, minor units; null for none. */
  @IsOptional() @Whole(0, 1_000_000_000) budget: number | null = null
  /** A day such as 2027-06-05; null for none. */
  @IsOptional()
  @IsISO8601({ strict: true })
  @Length(10, 10, { message: 'dueOn must be a date like 2027-06-05' })
  dueOn: string | null = null
}

/** What a roster is called and limited by. What is left out stays, or is not compared. */
export class RosterFacts {
  @IsOptional() @FilledText(120) name?: string
  @IsOptional() @Text(2000) note?: string
  @IsOptional() @Whole(0, 1_000_000_000) budget?: number | null
  @IsOptional()
  @IsISO8601({ strict: true })
  @Length(10, 10, { message: 'dueOn must be a date like 2027-06-05' })
  dueOn?: string | null
}

/** A change of a roster, with what was there when it was made. */
export class ChangeRoster {
  @One(() => RosterFacts) set: RosterFacts
  @One(() => RosterFacts) was: RosterFacts
}

class PlannedCharacter {
  @FilledText(120) name: string
  @Text(80) faction: string
  @IsOptional() @Whole(0, 150) years: number | null = null
  @Text(4000) notes: string
  /** What it must show, where that is known; with its own age and notes. */
  @IsOptional() @One(() => BriefDto) brief?: BriefDto
  /** What its outfit wears, where that is known. */
  @IsOptional() @ListOf(() => PlacementDto, { most: 60 }) placements?: PlacementDto[]
}

/** Characters to be planned, each with one outfit. */
export class AddCharacters {
  @Whole(1) version: number
  @ListOf(() => PlannedCharacter, { least: 1, most: 500 })
  characters: PlannedCharacter[]
}

/** One more outfit of a character: dressed and briefed as another, or empty. */
export class AnotherOutfit {
  @FilledText() character: string
  @FilledText(120) name: string
  @IsOptional() @FilledText() from?: string
  @IsOptional() @Whole(0, 150) years: number | null = null
  /** Dressed as at that age: face, brows, hair and legs. */
  @IsOptional() @IsBoolean() aged: boolean = false
}

/** What is planned of an outfit. What is left out stays, or is not compared. */
export class OutfitFacts {
  @IsOptional() @FilledText(120) name?: string
  @IsOptional() @Text(80) faction?: string
  @IsOptional() @IsIn(STATURES) stature?: Stature
  @IsOptional() @FilledText() base?: string | null
  @IsOptional() @One(() => SwitchesDto) switches?: SwitchesDto
  @IsOptional() @Text(300) switchesReason?: string
}

class OutfitChange {
  @FilledText() id: string
  @One(() => OutfitFacts) set: OutfitFacts
  @One(() => OutfitFacts) was: OutfitFacts
}

/** Changes of outfits of a roster, many at once, each with what was there when it was made. */
export class ChangeOutfits {
  @ListOf(() => OutfitChange, { least: 1, most: 500 })
  outfits: OutfitChange[]
}

class ArrangedDto {
  @FilledText() outfit: string
  @Text(80) faction: string
  /** The outfit it is put before; null for the end of the faction. */
  @IsOptional() @FilledText() before: string | null = null
}

/** Outfits put elsewhere on their shelf, one after the other. */
export class ArrangeOutfits {
  @ListOf(() => ArrangedDto, { least: 1, most: 1000 })
  moves: ArrangedDto[]
}

/** Outfits of a roster by id. */
export class SomeOutfits {
  @Texts({ least: 1, most: 500 }) outfits: string[]
}

/** Outfits moved over to another roster, with their characters. */
export class MoveOver extends SomeOutfits {
  @FilledText() to: string
}

export class NewUniform {
  @FilledText(80) name: string
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
}

class WornDto {
  @FilledText() outfit: string
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
}

export class SaveUniform {
  @Whole(1) version: number
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
  /** What outfits that share it wear again, in place of following the change. */
  @IsOptional() @ListOf(() => WornDto, { most: 500 }) restore?: WornDto[]
}

class UniformedDto {
  @FilledText() outfit: string
  @IsOptional() @FilledText() uniform: string | null = null
  /** What it wears then; without, what it wears now, or its uniform. */
  @IsOptional()
  @ListOf(() => PlacementDto, { most: 60 })
  placements?: PlacementDto[]
}

/** Outfits into uniforms, or out of theirs with null. */
export class JoinUniforms {
  @ListOf(() => UniformedDto, { least: 1, most: 500 })
  outfits: UniformedDto[]
  /** Wear the uniform at once; else only what they wear alike already counts. */
  @IsBoolean() dressed: boolean
}

class HeadOfAgeDto {
  @Whole(0, 150) from: number
  @FilledText() head: string
}

/** Heads a character has by age; none for one head in every outfit. */
export class SaveHeads {
  @ListOf(() => HeadOfAgeDto, { most: 12 }) heads: HeadOfAgeDto[]
}

/** What outfits wear as heads and headgear from now on, all or none; a slot that is not named stays as it is. */
export class WearHeads {
  @ListOf(() => WornDto, { least: 1, most: 500 })
  outfits: WornDto[]
}

export class Preference {
  @FilledText() better: string
  @FilledText() worse: string
}

/** A picture of some outfits was taken away. */
export class ShownAs extends SomeOutfits {
  @IsIn(['card', 'line-up', 'comparison']) how: string
}

import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsOptional, Matches } from 'class-validator'
import { FilledText, ListOf, One, Share, Text, Texts, Whole } from '../base/fields.ts'
import { BoxDto, PointDto } from '../base/places.ts'
import type { Landmark } from '@outfit/core/picture'
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
  @FilledText(80) target: string
  @IsIn(Object.keys(WEIGHTS)) weight: Weight
}

export class AvoidDto {
  @Texts({ most: 50 }) figures: string[]
  @Texts({ most: 50 }) releases: string[]
  @IsBoolean() byOthers: boolean
  @IsOptional() @Whole(0, 10_000_000) priceAbove: number | null = null
}

export class BriefDto {
  @ListOf(() => WishDto, { most: 120 }) wishes: WishDto[]
  @IsIn(STATURES) stature: Stature
  @IsIn(Object.keys(WEIGHTS)) statureWeight: Weight
  @IsOptional() @Whole(0, 150) years: number | null = null
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsIn(ABILITIES.map(({ key }) => key), { each: true })
  abilities: string[] = []
  @One(() => AvoidDto) avoid: AvoidDto
  @Text(4000) notes: string
  @Text(1000) credits: string
}

class BriefOfOutfit {
  @FilledText() outfit: string
  /** The newest of its brief; 0 before the first. */
  @Whole(0) version: number
  @One(() => BriefDto) brief: BriefDto
}

/** Briefs of outfits of a roster, many at once. */
export class SaveBriefs {
  @ListOf(() => BriefOfOutfit, { least: 1, most: 500 })
  briefs: BriefOfOutfit[]
}

/** What an outfit must show from now on; refused when `version` is not the newest of its brief (0 before the first). */
export class SaveBrief {
  @Whole(0) version: number
  @One(() => BriefDto) brief: BriefDto
}

/** Wishes under a name; a template of that name is replaced. */
export class SaveTemplate {
  @FilledText(80) name: string
  @ListOf(() => WishDto, { least: 1, most: 120 }) wishes: WishDto[]
}

class PointsDto implements Record<Landmark, PointDto> {
  @One(() => PointDto) crown: PointDto
  @One(() => PointDto) chin: PointDto
  @One(() => PointDto) shoulderRight: PointDto
  @One(() => PointDto) shoulderLeft: PointDto
  @One(() => PointDto) waist: PointDto
  @One(() => PointDto) hip: PointDto
  @One(() => PointDto) knees: PointDto
  @One(() => PointDto) soles: PointDto
}

class OutlineDto {
  @One(() => BoxDto) box: BoxDto
  /** Landmarks of the body, the figure's own right and left. */
  @One(() => PointsDto) points: PointsDto
  /** As a share of the tallest in the picture; null where there is nobody else. */
  @IsOptional() @Share(0.01) height: number | null = null
}

export class NewReference {
  @Matches(/^[0-9a-f]{64}$/, { message: 'photo must be the hash of a kept photo' }) photo: string
  @Text(200) caption: string
  /** Of this outfit alone, not of every outfit of the character. */
  @IsBoolean() ownOutfit: boolean
  @IsOptional() @One(() => OutlineDto) outline: OutlineDto | null = null
}

/** Where in a reference picture the character is from now on; null for nowhere. */
export class SaveOutline {
  @IsOptional() @One(() => OutlineDto) outline: OutlineDto | null = null
}

import { IsBoolean, IsIn, IsOptional } from 'class-validator'
import { PLACES, type Place } from '@outfit/core/brief'
import type { CastOptions, CastTake, CastWho } from '@outfit/core/wardrobe'
import { FilledText, ListOf, One, Whole } from '../base/fields.ts'
import { PlacementDto } from '../roster/dto.ts'
import { TAKES_FOR } from './castTakesService.ts'

/** Minor units of the home currency. */
const MOST_MONEY = 1_000_000_000

class CastOptionsDto implements CastOptions {
  @Whole(0, 1_000_000) worth: number
  @IsOptional() @Whole(0, MOST_MONEY) budget: number | null = null
  @Whole(0, 100) floor: number
  @IsOptional() @Whole(0, 1000) parcels: number | null = null
  @IsOptional() @Whole(0, 3650) arriveBy: number | null = null
  @IsBoolean() facesDiffer: boolean
  @IsBoolean() donors: boolean
  @IsBoolean() market: boolean
}

class HeldDto {
  @IsIn(PLACES) place: Place
  @ListOf(() => PlacementDto, { most: 20 }) placements: PlacementDto[]
}

class CastWhoDto implements CastWho {
  @FilledText() outfit: string
  @IsIn(PLACES, { each: true }) keep: Place[]
  /** Places that stay as a cast had them, and what it put there. */
  @IsOptional()
  @ListOf(() => HeldDto, { most: PLACES.length })
  held?: HeldDto[]
}

/** Who of a roster is to be cast together, and how. */
export class CastAsk {
  @ListOf(() => CastWhoDto, { least: 1, most: 200 })
  who: CastWhoDto[]
  @One(() => CastOptionsDto) options: CastOptionsDto
  /** Seconds for the search; more for more outfits unless said. */
  @IsOptional() @Whole(1, 300) seconds?: number
}

class CastWornDto {
  @FilledText() outfit: string
  @ListOf(() => PlacementDto, { most: 60 }) placements: PlacementDto[]
}

/** What outfits of a roster are to wear from now on, as new takes. */
export class WearCast {
  @ListOf(() => CastWornDto, { least: 1, most: 200 })
  outfits: CastWornDto[]
  /** What the takes are made for; a cast unless said. */
  @IsOptional() @IsIn(Object.keys(TAKES_FOR)) why: keyof typeof TAKES_FOR = 'cast'
}

class CastTakeDto implements CastTake {
  @FilledText() outfit: string
  @Whole(1) version: number
  @FilledText() take: string
  @FilledText() label: string
  @IsOptional() @FilledText() before: string | null = null
}

/** Takes made by a cast, which are taken back. */
export class UndoCast {
  @ListOf(() => CastTakeDto, { least: 1, most: 200 })
  takes: CastTakeDto[]
}

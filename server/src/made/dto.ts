import { Equals, IsBoolean, IsIn, IsOptional, Matches } from 'class-validator'
import { Between, FilledText, ListOf, Text, Whole } from '../base/fields.ts'
import { MADE_AS, type MadeAs } from '@outfit/core/catalogue'
import { BOARD_REACH } from '@outfit/core/made'

/** A string or rubber band, from one point of the board to another, in figure units. */
export class BandDto {
  @FilledText(40) name: string
  @FilledText() colour: string
  @Between(-BOARD_REACH, BOARD_REACH) x: number
  @Between(-BOARD_REACH, BOARD_REACH) y: number
  @Between(-BOARD_REACH, BOARD_REACH) toX: number
  @Between(-BOARD_REACH, BOARD_REACH) toY: number
}

/** What a worn piece is part of that is made of several, and its place on the board there. */
export class MadeOfDto {
  @FilledText() item: string
  @FilledText(80) name: string
  @IsIn(MADE_AS) as: MadeAs
  /** Its number among the pieces; a copy begins with piece 0. */
  @Whole(0, 60) piece: number
  @Between(-BOARD_REACH, BOARD_REACH) x: number
  @Between(-BOARD_REACH, BOARD_REACH) y: number
  /** Degrees clockwise. */
  @Between(0, 360) turn: number
  @IsBoolean() mirrored: boolean
  /** Over the hand or body instead of under it. */
  @IsBoolean() front: boolean
  /** It stays as it is when the item changes. */
  @IsOptional() @Equals(true) kept?: true
  /** With piece 0: what it is, as briefs wish for it. */
  @IsOptional() @FilledText(40) what?: string
  /** With piece 0 of a body of one's own: how high the torso sits on it, in figure units. */
  @IsOptional() @Between(0, 240) height?: number
  @IsOptional()
  @ListOf(() => BandDto, { most: 20 })
  bands?: BandDto[]
}

/** Most pieces of one thing. */
const MOST_PIECES = 30

export class MadePieceDto {
  @FilledText() part: string
  @Between(-BOARD_REACH, BOARD_REACH) x: number
  @Between(-BOARD_REACH, BOARD_REACH) y: number
  @Between(0, 360) turn: number
  @IsBoolean() mirrored: boolean
  @IsBoolean() front: boolean
}

/** Something made of several parts. */
export class MadeBody {
  @FilledText(80) name: string
  @IsIn(MADE_AS) as: MadeAs
  @Text(40) what: string
  @Text(120) credit: string
  @Text(2000) note: string
  /** How high the torso sits on a body of one's own, in figure units; 0 for all else. */
  @Between(0, 240) height: number
  @ListOf(() => BandDto, { most: 20 }) bands: BandDto[]
  @ListOf(() => MadePieceDto, { least: 1, most: MOST_PIECES }) pieces: MadePieceDto[]
}

/** A new one; or one that was removed and is put back under the id it had, so that who wears it follows it again. */
export class NewMade extends MadeBody {
  @IsOptional() @Matches(/^[0-9A-Z]{26}$/) id?: string
}

/** The same as it is from now on; refused when `version` is not the newest. */
export class SaveMade extends MadeBody {
  @Whole(1) version: number
}

import { IsBoolean, IsIn, IsInt, IsObject, IsOptional, IsString, Matches, Max, Min } from 'class-validator'
import { FilledText, ListOf, Separated, Text, Whole } from '../base/fields.ts'
import type { Level } from '@outfit/core/catalogue'
import { BOX_ROWS, BOX_WIDTH, MOST_HIGH, WAYS_OUT, type Condition, type WayOut } from '@outfit/core/drawer'
import { CONDITIONS } from '@outfit/core/tables'

const HASH = /^[0-9a-f]{64}$/

class MoveDto {
  @FilledText() part: string
  @FilledText() from: string
  @Whole(1, 1_000_000) qty: number
  @IsIn(CONDITIONS) condition: Condition
}

/** Parts from bins into another bin. */
export class MoveParts {
  @ListOf(() => MoveDto, { least: 1, most: 2000 }) moves: MoveDto[]
  @FilledText() to: string
}

/** Parts that leave the drawer for good. */
export class TakeOut {
  @ListOf(() => MoveDto, { least: 1, most: 2000 }) moves: MoveDto[]
  @IsIn(WAYS_OUT) how: WayOut
  @Text(300) text: string
}

/** Parts for somebody to have for a while. */
export class Lend {
  @ListOf(() => MoveDto, { least: 1, most: 2000 }) moves: MoveDto[]
  @FilledText(120) holder: string
}

class ThingDto {
  @IsIn(['part', 'figure', 'release']) kind: 'part' | 'figure' | 'release'
  @FilledText() code: string
  @Whole(1, 10_000) qty: number
}

/** Things that were bought, found or given. */
export class BringIn {
  @ListOf(() => ThingDto, { least: 1, most: 200 })
  things: ThingDto[]
  /** The bin what is loose goes into … */
  @FilledText() bin: string
  /** … and whether figures are left standing together, each in a bin of its own. */
  @IsBoolean() together: boolean
  @IsIn(CONDITIONS) condition: Condition
  @Text(300) text: string
  @IsOptional() @IsString() roster: string | null = null
  @IsOptional() @Matches(HASH) photo: string | null = null
}

class CountedDto {
  @FilledText() part: string
  @IsIn(CONDITIONS) condition: Condition
  @Whole(0, 1_000_000) qty: number
}

/** What was counted in a bin, and what should have lain there when the count began. */
export class Stocktake {
  @ListOf(() => CountedDto, { most: 5000 }) counted: CountedDto[]
  @ListOf(() => CountedDto, { most: 5000 }) expected: CountedDto[]
}

/** A figure taken apart into bins, as far as `level`. */
export class SplitFigure {
  @FilledText() to: string
  @Whole(1, 4) level: Level
}

/** A released figure put together again from loose parts. */
export class PutTogether {
  @FilledText() figure: string
}

export class NewBin {
  @FilledText(80) name: string
  @IsOptional() @IsString() parent: string | null = null
}

/** A field of the parts box, from 0 up to `most`; null for none. */
function Field(most: number): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [IsOptional(), IsInt(), Min(0), Max(most)]) decorate(target, key as string)
  }
}

export class ChangeBin {
  @IsOptional() @FilledText(80) name?: string
  @IsOptional() @IsString() parent?: string | null
  @Field(BOX_WIDTH) x?: number | null
  @Field(BOX_ROWS) y?: number | null
  @Field(BOX_WIDTH) w?: number | null
  @Field(MOST_HIGH) h?: number | null
  /** What was read of the fields that are changed. */
  @IsObject() was: Record<string, unknown>
}

class PlacedBin extends ChangeBin {
  @FilledText() code: string
}

/** Several bins laid out at once. */
export class LayOut {
  @ListOf(() => PlacedBin, { least: 1, most: 3000 })
  bins: PlacedBin[]
}

export class NewRemark {
  @IsOptional() @IsString() part: string | null = null
  @IsOptional() @IsString() outfit: string | null = null
  @IsIn(['misprint', 'fault', 'photo', 'note']) kind: 'misprint' | 'fault' | 'photo' | 'note'
  @Text(1000) text: string
  @IsOptional() @Matches(HASH) photo: string | null = null
}

export class PromiseDto {
  @Whole(0, 100) qty: number
}

export class PlacesQuery {
  /** Codes. */
  @IsOptional() @Separated() parts?: string[]
}

export class HistoryQuery {
  @IsOptional() @IsString() part?: string
  @IsOptional() @IsString() bin?: string
  /** The last act seen. */
  @IsOptional() @IsString() before?: string
}

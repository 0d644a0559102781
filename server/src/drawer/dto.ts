import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import type { Level } from '@outfit/core/catalogue'
import { BOX_ROWS, BOX_WIDTH, MOST_HIGH, WAYS_OUT, type Condition, type WayOut } from '@outfit/core/drawer'
import { CONDITIONS } from '@outfit/core/tables'

const HASH = /^[0-9a-f]{64}$/

class MoveDto {
  @IsString() @IsNotEmpty() part: string
  @IsString() @IsNotEmpty() from: string
  @IsInt() @Min(1) @Max(1_000_000) qty: number
  @IsIn(CONDITIONS) condition: Condition
}

/** Parts from bins into another bin. */
export class MoveParts {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2000) @ValidateNested({ each: true }) @Type(() => MoveDto) moves: MoveDto[]
  @IsString() @IsNotEmpty() to: string
}

/** Parts that leave the drawer for good. */
export class TakeOut {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2000) @ValidateNested({ each: true }) @Type(() => MoveDto) moves: MoveDto[]
  @IsIn(WAYS_OUT) how: WayOut
  @IsString() @MaxLength(300) text: string
}

/** Parts for somebody to have for a while. */
export class Lend {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(2000) @ValidateNested({ each: true }) @Type(() => MoveDto) moves: MoveDto[]
  @IsString() @IsNotEmpty() @MaxLength(120) holder: string
}

class ThingDto {
  @IsIn(['part', 'figure', 'release']) kind: 'part' | 'figure' | 'release'
  @IsString() @IsNotEmpty() code: string
  @IsInt() @Min(1) @Max(10_000) qty: number
}

/** Things that were bought, found or given. */
export class BringIn {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => ThingDto)
  things: ThingDto[]
  /** The bin what is loose goes into … */
  @IsString() @IsNotEmpty() bin: string
  /** … and whether figures are left standing together, each in a bin of its own. */
  @IsBoolean() together: boolean
  @IsIn(CONDITIONS) condition: Condition
  @IsString() @MaxLength(300) text: string
  @IsOptional() @IsString() roster: string | null = null
  @IsOptional() @Matches(HASH) photo: string | null = null
}

class CountedDto {
  @IsString() @IsNotEmpty() part: string
  @IsIn(CONDITIONS) condition: Condition
  @IsInt() @Min(0) @Max(1_000_000) qty: number
}

/** What was counted in a bin, and what should have lain there when the count began. */
export class Stocktake {
  @IsArray() @ArrayMaxSize(5000) @ValidateNested({ each: true }) @Type(() => CountedDto) counted: CountedDto[]
  @IsArray() @ArrayMaxSize(5000) @ValidateNested({ each: true }) @Type(() => CountedDto) expected: CountedDto[]
}

/** A figure taken apart into bins, as far as `level`. */
export class SplitFigure {
  @IsString() @IsNotEmpty() to: string
  @IsInt() @Min(1) @Max(4) level: Level
}

/** A released figure put together again from loose parts. */
export class PutTogether {
  @IsString() @IsNotEmpty() figure: string
}

export class NewBin {
  @IsString() @IsNotEmpty() @MaxLength(80) name: string
  @IsOptional() @IsString() parent: string | null = null
}

/** A field of the parts box, from 0 up to `most`; null for none. */
function Field(most: number): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [IsOptional(), IsInt(), Min(0), Max(most)]) decorate(target, key as string)
  }
}

export class ChangeBin {
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(80) name?: string
  @IsOptional() @IsString() parent?: string | null
  @Field(BOX_WIDTH) x?: number | null
  @Field(BOX_ROWS) y?: number | null
  @Field(BOX_WIDTH) w?: number | null
  @Field(MOST_HIGH) h?: number | null
  /** What was read of the fields that are changed. */
  @IsObject() was: Record<string, unknown>
}

class PlacedBin extends ChangeBin {
  @IsString() @IsNotEmpty() code: string
}

/** Several bins laid out at once. */
export class LayOut {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(3000)
  @ValidateNested({ each: true })
  @Type(() => PlacedBin)
  bins: PlacedBin[]
}

export class NewRemark {
  @IsOptional() @IsString() part: string | null = null
  @IsOptional() @IsString() outfit: string | null = null
  @IsIn(['misprint', 'fault', 'photo', 'note']) kind: 'misprint' | 'fault' | 'photo' | 'note'
  @IsString() @MaxLength(1000) text: string
  @IsOptional() @Matches(HASH) photo: string | null = null
}

export class PromiseDto {
  @IsInt() @Min(0) @Max(100) qty: number
}

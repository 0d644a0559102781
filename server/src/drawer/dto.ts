import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
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
import type { Level } from '@outfit/core/catalogue'
import { WAYS_OUT, type Condition, type WayOut } from '@outfit/core/drawer'
import { CONDITIONS } from '@outfit/core/formats'

const HASH = /^[0-9a-f]{64}$/

/** Fields the ruled ground of the parts box has, either way. */
export const BOX_FIELDS = 48

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

const field = () => [IsOptional(), IsInt(), Min(0), Max(BOX_FIELDS)]
function Field(): PropertyDecorator {
  return (target, key) => {
    for (const decorate of field()) decorate(target, key as string)
  }
}

export class ChangeBin {
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(80) name?: string
  @IsOptional() @IsString() parent?: string | null
  @Field() x?: number | null
  @Field() y?: number | null
  @Field() w?: number | null
  @Field() h?: number | null
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

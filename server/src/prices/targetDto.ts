import { IsIn, IsInt, IsNotEmpty, IsString, Max, MaxLength, Min } from 'class-validator'
import { MOST } from '@outfit/core/market'
import { TARGET_KINDS, type TargetKind } from '@outfit/core/prices'

export class TargetName {
  @IsIn(TARGET_KINDS) kind: TargetKind
  @IsString() @IsNotEmpty() @MaxLength(80) code: string
}

export class TargetPrice {
  /** In the home currency. */
  @IsInt() @Min(0) @Max(MOST.money) price: number
}

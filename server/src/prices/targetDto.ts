import { IsIn } from 'class-validator'
import { FilledText, Whole } from '../base/fields.ts'
import { MOST } from '@outfit/core/market'
import { TARGET_KINDS, type TargetKind } from '@outfit/core/prices'

export class TargetName {
  @IsIn(TARGET_KINDS) kind: TargetKind
  @FilledText(80) code: string
}

export class TargetPrice {
  /** In the home currency. */
  @Whole(0, MOST.money) price: number
}

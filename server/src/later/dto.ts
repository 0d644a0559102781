import { IsBoolean, IsIn, IsOptional, IsString } from 'class-validator'
import { FilledText, Whole } from '../base/fields.ts'
import { type Place, PLACES } from '@outfit/core/brief'

/** Something to come back to. */
export class NewLater {
  @IsOptional() @IsString() outfit?: string
  @IsOptional() @IsIn(PLACES) place?: Place
  @FilledText(300) note: string
  /** Wait for the mould and print of this part … */
  @IsOptional() @IsString() like?: string
  /** … in this colour. */
  @IsOptional() @IsString() colour?: string
  /** Wait for an offer of this part … */
  @IsOptional() @IsString() part?: string
  /** … of at most so much, home currency, minor units. */
  @IsOptional() @Whole(0, 10_000_000) atMost?: number
}

export class SetDone {
  @IsBoolean() done: boolean
}

import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator'
import { Transform } from 'class-transformer'
import { familyNamed } from '@outfit/core/colour'
import { ListOf, Texts, Whole } from '../base/fields.ts'
import { IsTexts } from '../base/isTexts.ts'
import {
  CONNECTIONS,
  COVERS,
  FINISHES,
  PART_KINDS,
  SLOTS,
  type Connection,
  type Cover,
  type Finish,
  type Layer,
  type PartKind,
  type Slot,
} from '@outfit/core/catalogue'
import { RELEASE_KINDS, YEAR } from '@outfit/core/tables'
import { MOST } from '@outfit/core/market'

/** What every entry of the catalogue has besides its code, which is in the address. */
class Named {
  @IsString() @MinLength(1) @MaxLength(120) name: string
  /** What was read of it before it was changed; needed for an entry there is. */
  @IsOptional() @IsObject() was?: Record<string, unknown>
}

export class ColourBody extends Named {
  @Matches(/^#[0-9a-fA-F]{6}$/, { message: 'hex must be a colour as #RRGGBB' }) hex: string
  /** In any language lists are read in, or a word of one's own. */
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? familyNamed(value) : value))
  @IsString()
  @MinLength(1)
  @MaxLength(40)
  family: string
  @IsIn(FINISHES) finish: Finish
}

export class MouldBody extends Named {
  @IsIn(PART_KINDS) kind: PartKind
  @IsString() @MinLength(1) silhouette: string
  @IsNumber() @Min(0) @Max(50) neckThickness: number
  @IsNumber() @Min(0) @Max(100) height: number
  @IsNumber() @Min(0) @Max(500) mass: number
  @IsArray() @IsIn(CONNECTIONS, { each: true }) connections: Connection[]
  @IsArray() @IsIn(COVERS, { each: true }) covers: Cover[]
  @IsTexts() traits: Record<string, string>
}

export class PrintBody extends Named {
  @IsIn(PART_KINDS) kind: PartKind
  // Layers have settings of their own, so they are checked by what the mannequin knows and not field by field.
  @IsArray() @ArrayMaxSize(40) @IsObject({ each: true }) front: Layer[]
  @IsArray() @ArrayMaxSize(40) @IsObject({ each: true }) back: Layer[]
  @IsTexts() traits: Record<string, string>
}

export class ComponentBody {
  @IsIn(SLOTS) slot: Slot
  @IsString() part: string
  @IsOptional() @Whole(0, 5) level?: number
}

export class PartBody extends Named {
  @IsString() mould: string
  @Texts({ least: 1, most: 8 }) colours: string[]
  @IsOptional() @IsString() print: string | null
  @IsOptional() @IsInt() @Min(YEAR.least) @Max(YEAR.most) year: number | null
  @IsOptional() @Length(64, 64) photo: string | null
  @ListOf(() => ComponentBody, { most: 20 }) components: ComponentBody[]
}

export class WornBody {
  @IsIn(SLOTS) slot: Slot
  @IsString() part: string
  @Whole(0) order: number
}

export class FigureBody extends Named {
  @IsInt() @Min(YEAR.least) @Max(YEAR.most) year: number
  @IsOptional() @Length(64, 64) photo: string | null
  @ListOf(() => WornBody, { least: 1, most: 60 }) worn: WornBody[]
}

export class ContentBody {
  @IsIn(['part', 'figure']) kind: 'part' | 'figure'
  @IsString() code: string
  @Whole(1, MOST.pack) qty: number
}

export class ReleaseBody extends Named {
  @IsIn(RELEASE_KINDS) kind: (typeof RELEASE_KINDS)[number]
  @IsInt() @Min(YEAR.least) @Max(YEAR.most) year: number
  @Whole(0, MOST.money) price: number
  @Matches(/^[A-Z]{3}$/, { message: 'currency must be three capital letters' }) currency: string
  @IsBoolean() inProduction: boolean
  @IsOptional() @Length(64, 64) photo: string | null
  /** What surely is in it. */
  @ListOf(() => ContentBody, { most: 500 }) contents: ContentBody[]
  /** How many of each figure stand in a full case, where a pack brings one by chance. */
  @ListOf(() => ContentBody, { most: 500 }) cases: ContentBody[]
}

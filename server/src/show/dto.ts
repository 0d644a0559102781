import { applyDecorators } from '@nestjs/common'
import { ApiOkResponse } from '@nestjs/swagger'
import { plainToInstance, Transform, Type } from 'class-transformer'
import { IsBoolean, IsIn, IsObject, IsOptional, IsString, Matches, ValidateNested } from 'class-validator'
import { JSONSchema } from 'class-validator-jsonschema'
import {
  CARD_SIZE_NAMES,
  CARD_TEXTS,
  PAPER_SIZE_NAMES,
  PER_PAGE,
  type CardChoices,
  type CardPhoto,
  type CardSize,
  type PaperSize,
  type PerPage,
  type SheetChoices,
} from '@outfit/core/show'
import { SLOTS, type Slot } from '@outfit/core/catalogue'
import { Between, FilledText, ListOf, One, Separated, Share, Text, Whole, YesNo } from '../base/fields.ts'
import { BoxDto, PointDto } from '../base/places.ts'
import { PICTURE_KINDS, type PictureKind } from './pictureService.ts'

/** Of what a picture is taken out, and how. */
export class PictureOf {
  @FilledText() id: string
  @IsIn(PICTURE_KINDS) kind: PictureKind
}

/** The answer is a picture as SVG, PNG or PDF. */
export const PictureAnswer = () => {
  const schema = { type: 'string', format: 'binary' }
  return applyDecorators(
    ApiOkResponse({
      content: { 'image/svg+xml': { schema }, 'image/png': { schema }, 'application/pdf': { schema } },
    }),
  )
}

/** What is cut out of a turned photo, in heights of the photo from its middle. */
class CropDto {
  @Between(-20, 20) x: number
  @Between(-20, 20) y: number
  @Between(0.01, 40) width: number
  @Between(0.01, 40) height: number
}

class CardPointDto extends PointDto {
  @IsIn(SLOTS) slot: Slot
}

class CardPhotoDto implements CardPhoto {
  @Matches(/^[0-9a-f]{64}$/, { message: 'hash must be the hash of a kept photo' }) hash: string
  @Whole(1, 20_000) width: number
  @Whole(1, 20_000) height: number
  /** Degrees clockwise. */
  @Between(-180, 180) turn: number
  @One(() => CropDto) crop: CropDto
  /** How far the light is evened out. */
  @Share() even: number
  /** Where the figure was found in the photo. */
  @IsOptional() @One(() => BoxDto) figure: BoxDto | null
  /** Where lead lines go that were moved by hand. */
  @ListOf(() => CardPointDto, { most: SLOTS.length }) points: CardPointDto[]
}

/** What was JSON in a query. */
const asPhoto = ({ value }: { value: unknown }) => {
  if (typeof value !== 'string') return value
  try {
    return plainToInstance(CardPhotoDto, JSON.parse(value))
  } catch {
    return value
  }
}

/** A photo as JSON, checked by its class. */
const IsPhoto = () =>
  applyDecorators(
    Transform(asPhoto),
    JSONSchema(() => ({ type: 'string' })),
    ValidateNested(),
    IsObject(),
  )

/** What a card shows, as it is kept. */
export class CardBody implements CardChoices {
  @IsIn(CARD_SIZE_NAMES) size: CardSize
  @IsIn(['front', 'back']) view: 'front' | 'back'
  @IsBoolean() lines: boolean
  @IsBoolean() colours: boolean
  @IsBoolean() sources: boolean
  @IsBoolean() prices: boolean
  @IsBoolean() altered: boolean
  @Text(CARD_TEXTS.note) note: string
  @Text(CARD_TEXTS.credits) credits: string
  @IsIn(['drawing', 'photo']) picture: 'drawing' | 'photo'
  @IsOptional() @One(() => CardPhotoDto) photo: CardPhotoDto | null
  /** A take by its id, a released figure as `figure:` and its code, or nothing. */
  @Text(200) beside: string
}

/** What a card shows this time; what is not said is as it was kept. */
export class CardQuery {
  @IsOptional() @IsString() take?: string
  /** Version of the outfit, which tells a browser's cache one card from the next. */
  @IsOptional() @IsString() version?: string
  @IsOptional() @IsIn(CARD_SIZE_NAMES) size?: CardSize
  @IsOptional() @IsIn(['front', 'back']) view?: 'front' | 'back'
  @IsOptional() @YesNo() lines?: boolean
  @IsOptional() @YesNo() colours?: boolean
  @IsOptional() @YesNo() sources?: boolean
  @IsOptional() @YesNo() prices?: boolean
  @IsOptional() @YesNo() altered?: boolean
  @IsOptional() @Text(CARD_TEXTS.note) note?: string
  @IsOptional() @Text(CARD_TEXTS.credits) credits?: string
  @IsOptional() @IsIn(['drawing', 'photo']) picture?: 'drawing' | 'photo'
  /** As JSON. */
  @IsOptional() @IsPhoto() photo?: CardPhotoDto
  @IsOptional() @Text(200) beside?: string
  /** Only to be looked at while it is arranged: a photo has fewer pixels. */
  @IsOptional() @YesNo() draft?: boolean
}

export class PhotoQuery {
  /** As JSON. */
  @IsPhoto() photo: CardPhotoDto
}

/** What a sheet shows, as it is kept. */
export class SheetBody implements SheetChoices {
  @IsIn(PAPER_SIZE_NAMES) paper: PaperSize
  @IsIn(PER_PAGE) perPage: PerPage
  @IsBoolean() cover: boolean
  @IsBoolean() index: boolean
  @IsBoolean() colours: boolean
  @IsBoolean() sources: boolean
  @IsBoolean() prices: boolean
  @IsBoolean() altered: boolean
  @Text(CARD_TEXTS.note) note: string
  @Text(CARD_TEXTS.credits) credits: string
}

/** Which outfits a sheet, page or recipe shows; all that are dressed without. */
export class SomeOfRoster {
  /** Ids. */
  @IsOptional() @Separated() outfits?: string[]
}

/** What a sheet shows this time; what is not said is as it was kept. */
export class SheetQuery extends SomeOfRoster {
  /** Tells a browser's cache one sheet from the next. */
  @IsOptional() @IsString() version?: string
  @IsOptional() @IsIn(PAPER_SIZE_NAMES) paper?: PaperSize
  @IsOptional() @Transform(({ value }: { value: unknown }) => Number(value)) @IsIn(PER_PAGE) perPage?: PerPage
  @IsOptional() @YesNo() cover?: boolean
  @IsOptional() @YesNo() index?: boolean
  @IsOptional() @YesNo() colours?: boolean
  @IsOptional() @YesNo() sources?: boolean
  @IsOptional() @YesNo() prices?: boolean
  @IsOptional() @YesNo() altered?: boolean
  @IsOptional() @Text(CARD_TEXTS.note) note?: string
  @IsOptional() @Text(CARD_TEXTS.credits) credits?: string
}

/** How wide a picture is printed, in millimetres; without, it is as large as it is. */
export class PrintedQuery {
  @IsOptional() @Type(() => Number) @Whole(50, 3000) width?: number
}

export class ComparedQuery extends PrintedQuery {
  /** Ids of two to four takes, comma between them, in the order they shall stand. */
  @IsString()
  @Matches(/^\w+(,\w+){1,3}$/, { message: 'takes must be two to four, with commas between them' })
  takes: string
}

/** What a query says, without what it leaves out: its class has every field. */
export const said = <T extends object>(query: T): { [K in keyof T]?: NonNullable<T[K]> } =>
  Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined && value !== null)) as never

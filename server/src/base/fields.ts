import { applyDecorators, type Type as Class } from '@nestjs/common'
import { ApiBody, ApiConsumes, ApiOkResponse } from '@nestjs/swagger'
import { Transform, Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { JSONSchema } from 'class-validator-jsonschema'

/**
 * What fields of bodies and queries are, each in one word. The interface's own description is read from the same checks
 * (`app/describeApi.ts`).
 */
interface Size {
  least?: number
  most?: number
}

const sized = ({ least, most }: Size): PropertyDecorator[] => [
  ...(most === undefined ? [] : [ArrayMaxSize(most)]),
  ...(least === undefined ? [] : [ArrayMinSize(least)]),
  IsArray(),
]

/** A text of at most so many letters, which may be empty. */
export const Text = (longest: number) => applyDecorators(MaxLength(longest), IsString())

/** A text with something in it, such as a name, a code or an id. */
export const FilledText = (longest?: number) =>
  applyDecorators(...(longest === undefined ? [] : [MaxLength(longest)]), IsNotEmpty(), IsString())

/** A currency by the three capital letters of ISO 4217. */
export const CurrencyCode = () => applyDecorators(Matches(/^[A-Z]{3}$/), IsString())

/** A list of texts. */
export const Texts = (size: Size) => applyDecorators(IsString({ each: true }), ...sized(size))

/** Words of a query separated by commas, as a list; any, or some of those named. */
export const Separated = (words?: readonly string[]) =>
  applyDecorators(
    Transform(({ value }: { value: unknown }) =>
      typeof value === 'string' ? value.split(',').filter((word) => word !== '') : value,
    ),
    JSONSchema(() => ({
      type: 'string',
      description: words ? `Some of ${words.join(', ')}, separated by commas.` : 'Separated by commas.',
    })),
    words ? IsIn(words, { each: true }) : IsString({ each: true }),
    IsArray(),
  )

/** "yes" or "no" of a query, as true and false. */
export const YesNo = () =>
  applyDecorators(
    Transform(({ value }: { value: unknown }) => (value === 'yes' ? true : value === 'no' ? false : value)),
    JSONSchema(() => ({ type: 'string', enum: ['yes', 'no'] })),
    IsBoolean(),
  )

/** A whole number within its limits, both included. */
export const Whole = (least: number, most?: number) =>
  applyDecorators(...(most === undefined ? [] : [Max(most)]), Min(least), IsInt())

/** A number within its limits, both included. */
export const Between = (least: number, most: number) => applyDecorators(Max(most), Min(least), IsNumber())

/** A number from `least` to 1, such as a share of something. */
export const Share = (least = 0) => applyDecorators(Max(1), Min(least), IsNumber())

/** An object checked by its own class; the class is named in a function, since it may stand further down. */
export const One = (of: () => Class) => applyDecorators(Type(of), ValidateNested(), IsObject())

/** A list of objects, each checked by its own class. */
export const ListOf = (of: () => Class, size: Size = {}) =>
  applyDecorators(Type(of), ValidateNested({ each: true }), ...sized(size))

/** The body is a file as it is, read from the request as a stream. */
export const FileBody = () =>
  applyDecorators(ApiConsumes('application/octet-stream'), ApiBody({ schema: { type: 'string', format: 'binary' } }))

/** The answer is a file of this type, whose address does not say so. */
export const FileAnswer = (type: string) =>
  ApiOkResponse({ content: { [type]: { schema: { type: 'string', format: 'binary' } } } })

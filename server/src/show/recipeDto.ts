import { applyDecorators } from '@nestjs/common'
import { IsBoolean, IsIn, IsOptional, Matches, ValidateBy, IsNumber, Min, Max } from 'class-validator'
import { OmitType } from '@nestjs/swagger'
import { JSONSchema } from 'class-validator-jsonschema'
import { FINISHES, PART_KINDS, SLOTS, type Finish, type Layer, type PartKind, type Slot } from '@outfit/core/catalogue'
import { MOST_ON_SHEET, type Recipe } from '@outfit/core/show'
import { FilledText, ListOf, One, Text, Whole } from '../base/fields.ts'
import { IsTexts } from '../base/isTexts.ts'
import { BandDto, MadeOfDto } from '../made/dto.ts'
import { AlterationDto } from '../roster/dto.ts'

/** Codes go into addresses and files. */
const Code = () =>
  applyDecorators(
    Matches(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, { message: '$property may hold letters, digits, dots and dashes' }),
    FilledText(60),
  )

const MOST_LAYERS = 60
const isSetting = (value: unknown) =>
  typeof value === 'boolean' || Number.isFinite(value) || (typeof value === 'string' && value.length <= 60)
const isLayer = (layer: unknown) =>
  typeof layer === 'object' &&
  layer !== null &&
  !Array.isArray(layer) &&
  typeof (layer as Layer).kind === 'string' &&
  Object.keys(layer).length <= 30 &&
  Object.values(layer).every(isSetting)

/** Layers of a print; a kind nobody knows is drawn as nothing. */
const IsLayers = () =>
  applyDecorators(
    JSONSchema(() => ({
      type: 'array',
      maxItems: MOST_LAYERS,
      items: { type: 'object', required: ['kind'], properties: { kind: { type: 'string' } } },
    })),
    ValidateBy({
      name: 'isLayers',
      validator: {
        validate: (value) => Array.isArray(value) && value.length <= MOST_LAYERS && value.every(isLayer),
        defaultMessage: (args) =>
          `${args?.property ?? 'it'} must be a list of at most ${MOST_LAYERS} layers, each with its kind and plain settings`,
      },
    }),
  )

class RecipeMouldBody {
  @Code() code: string
  @FilledText(120) name: string
  @IsIn(PART_KINDS) kind: PartKind
  @Text(60) silhouette: string
  @IsNumber() @Min(0) @Max(50) neckThickness: number
  @IsNumber() @Min(0) @Max(100) height: number
  @IsTexts({ most: 60, longest: 80 }) traits: Record<string, string>
}

class RecipeColourBody {
  @Code() code: string
  @FilledText(80) name: string
  @Matches(/^#[0-9a-fA-F]{6}$/, { message: 'hex must be a colour as #RRGGBB' }) hex: string
  @IsIn(FINISHES) finish: Finish
}

class RecipeLayersBody {
  @IsLayers() front: Layer[]
  @IsLayers() back: Layer[]
  /** The colours its layers name by code. */
  @IsOptional() @ListOf(() => RecipeColourBody, { most: 60 }) colours?: RecipeColourBody[]
}

class RecipePrintBody {
  @Code() code: string
  @FilledText(120) name: string
  @One(() => RecipeLayersBody) layers: RecipeLayersBody
}

class RecipeAlterationBody extends AlterationDto {
  /** The paint it names by code … */
  @IsOptional() @One(() => RecipeColourBody) paint?: RecipeColourBody
  /** … and the print a sticker shows. */
  @IsOptional() @One(() => RecipePrintBody) shown?: RecipePrintBody
}

class RecipeSourceBody {
  @Text(160) release: string
  @Text(160) figure: string
  @IsOptional() @Whole(1900, 2200) year: number | null
}

class RecipePartBody {
  @Code() code: string
  @FilledText(160) name: string
  @One(() => RecipeMouldBody) mould: RecipeMouldBody
  @ListOf(() => RecipeColourBody, { most: 8 }) colours: RecipeColourBody[]
  @IsOptional() @One(() => RecipePrintBody) print: RecipePrintBody | null
  @ListOf(() => RecipeSourceBody, { most: 40 }) sources: RecipeSourceBody[]
}

class RecipeBandBody extends OmitType(BandDto, ['colour']) {
  @One(() => RecipeColourBody) colour: RecipeColourBody
}

class RecipeMadeBody extends OmitType(MadeOfDto, ['kept', 'bands']) {
  @IsOptional()
  @ListOf(() => RecipeBandBody, { most: 20 })
  bands?: RecipeBandBody[]
}

class RecipePlacementBody {
  @IsIn(SLOTS) slot: Slot
  @Whole(0, 60) order: number
  @IsBoolean() turned: boolean
  @ListOf(() => RecipeAlterationBody, { most: 6 }) altered: RecipeAlterationBody[]
  /** Where it is a piece of something made of several parts. */
  @IsOptional() @One(() => RecipeMadeBody) made?: RecipeMadeBody
  @One(() => RecipePartBody) part: RecipePartBody
}

class RecipeOutfitBody {
  @FilledText(120) name: string
  @Text(2000) note: string
  @Text(200) credits: string
  @ListOf(() => RecipePlacementBody, { least: 1, most: 60 }) placements: RecipePlacementBody[]
}

/** A recipe as in docs/formats.md. */
export class RecipeFile implements Recipe {
  @IsIn(['outfit.recipe'], { message: 'format must be outfit.recipe' }) format: 'outfit.recipe'
  @IsIn([1], { message: 'version must be 1: a recipe of another version is not read here' }) version: 1
  @ListOf(() => RecipeOutfitBody, { least: 1, most: MOST_ON_SHEET }) outfits: RecipeOutfitBody[]
}

/** A recipe to be taken in as a roster of its own. */
export class TakeRecipe {
  @FilledText(120) name: string
  @One(() => RecipeFile) recipe: RecipeFile
}

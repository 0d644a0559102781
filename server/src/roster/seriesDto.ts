import { IsBoolean, IsIn, IsInt, IsOptional, Matches } from 'class-validator'
import {
  PACK_LIMITS,
  SPREADS,
  type BonusBuild,
  type BonusItem,
  type PackChoices,
  type Spread,
} from '@outfit/core/packs'
import {
  CARTON_LIMITS,
  CARTON_PAPER_NAMES,
  CARTON_SHAPES,
  FOLDS,
  PANEL_LIMITS,
  SERIES_TEXTS,
  STRIP_PANELS,
  type CartonChoices,
  type CartonPaper,
  type CartonShape,
  type Fold,
  type LeafletChoices,
  type Series,
  type SeriesEntry,
  type StripPanels,
} from '@outfit/core/series'
import { PAPER_SIZE_NAMES, type PaperSize } from '@outfit/core/show'
import { Between, FilledText, ListOf, One, Text, Texts, Whole } from '../base/fields.ts'

class SeriesEntryDto implements SeriesEntry {
  @FilledText(120) outfit: string
  @IsOptional() @Whole(0, 99_999) number: number | null
  @Text(SERIES_TEXTS.line) line: string
  @Text(SERIES_TEXTS.credit) credit: string
}

class LeafletDto implements LeafletChoices {
  @IsIn(FOLDS) fold: Fold
  @IsIn(STRIP_PANELS) panels: StripPanels
  @Between(...PANEL_LIMITS.width) width: number
  @Between(...PANEL_LIMITS.height) height: number
  @IsIn(PAPER_SIZE_NAMES) paper: PaperSize
  @IsBoolean() marks: boolean
  @IsBoolean() items: boolean
  @IsBoolean() lines: boolean
  @IsBoolean() ticks: boolean
}

class InnerDto {
  @Between(CARTON_LIMITS.least, CARTON_LIMITS.most) width: number
  @Between(CARTON_LIMITS.least, CARTON_LIMITS.most) depth: number
  @Between(CARTON_LIMITS.least, CARTON_LIMITS.most) height: number
}

class CartonDto implements CartonChoices {
  @IsIn(CARTON_SHAPES) shape: CartonShape
  @IsOptional() @One(() => InnerDto) inner: InnerDto | null
  @Between(0, CARTON_LIMITS.clearance) clearance: number
  @Between(0, CARTON_LIMITS.board) board: number
  @IsIn(CARTON_PAPER_NAMES) paper: CartonPaper
  @Texts({ most: 60 }) front: string[]
  @Matches(/^#[0-9A-Fa-f]{6}$/) colour: string
  @Text(SERIES_TEXTS.side) side: string
  @IsOptional() @Whole(1, CARTON_LIMITS.copies) copies: number | null
}

class WeightDto {
  @FilledText(120) outfit: string
  @Between(0, PACK_LIMITS.weight) weight: number
}

class ChaseDto {
  @FilledText(120) outfit: string
  @Whole(0, PACK_LIMITS.packs) count: number
}

class BonusItemDto implements BonusItem {
  @FilledText(40) id: string
  @Text(80) name: string
  /** Code of the part it is. */
  @IsOptional() @FilledText() part: string | null
  @Whole(0, PACK_LIMITS.count) count: number
  /** The outfit it comes with. */
  @IsOptional() @FilledText(120) tiedTo: string | null
}

class PacksDto implements PackChoices {
  @Whole(0, PACK_LIMITS.packs) packs: number
  @IsIn(SPREADS) spread: Spread
  @ListOf(() => WeightDto, { most: 1000 }) weights: WeightDto[]
  @ListOf(() => ChaseDto, { most: 1000 }) chase: ChaseDto[]
  @ListOf(() => BonusItemDto, { most: PACK_LIMITS.items }) items: BonusItemDto[]
  @IsBoolean() atMostOne: boolean
  @IsOptional() @Whole(1, PACK_LIMITS.packs) every: number | null
  @IsInt() seed: number
}

class PieceDto {
  @FilledText() part: string
  @FilledText(200) name: string
  @Whole(1, 1000) qty: number
}

class StepDto {
  @Text(300) text: string
  /** Content hash of a kept photo. */
  @IsOptional() @Matches(/^[0-9a-f]{64}$/) photo: string | null
}

class BonusBuildDto implements BonusBuild {
  @Text(80) name: string
  @ListOf(() => PieceDto, { most: PACK_LIMITS.pieces }) pieces: PieceDto[]
  @IsIn(['figures', 'packs']) spread: 'figures' | 'packs'
  @Whole(1, PACK_LIMITS.builds) builds: number
  @ListOf(() => StepDto, { most: PACK_LIMITS.steps }) steps: StepDto[]
}

/** A roster as a numbered series. Outfits by id, or by name in a rosters file. */
export class SeriesDto implements Series {
  @Text(SERIES_TEXTS.title) title: string
  @Text(SERIES_TEXTS.number) number: string
  @Text(SERIES_TEXTS.credit) credit: string
  @Text(SERIES_TEXTS.privately) privately: string
  @ListOf(() => SeriesEntryDto, { most: 2000 }) entries: SeriesEntryDto[]
  @One(() => LeafletDto) leaflet: LeafletDto
  @One(() => CartonDto) carton: CartonDto
  @One(() => PacksDto) packs: PacksDto
  @IsOptional() @One(() => BonusBuildDto) bonus: BonusBuildDto | null
}

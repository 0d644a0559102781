import { Injectable } from '@nestjs/common'
import sharp from 'sharp'
import {
  cartonSheets,
  innerSizeOf,
  keyPages,
  labelPages,
  leafletPages,
  packingListPages,
  packMark,
  tooLargeInWords,
  type BonusTold,
  type Series,
} from '@outfit/core/series'
import type { Page, PaperSize } from '@outfit/core/show'
import { Problem } from '../base/problem.ts'
import { PhotoService } from '../catalogue/photoService.ts'
import { SettingsService } from '../settings/settingsService.ts'
import type { Picture } from '../show/pictureService.ts'
import { SeriesService, type SeriesDrawn } from './seriesService.ts'

/** What is printed of a series. */
export const SERIES_FILES = ['leaflet', 'carton', 'labels', 'packing-list', 'key', 'everything'] as const
export type SeriesFile = (typeof SERIES_FILES)[number]

/** Dots of a picture of a building step, which is printed a few centimetres wide. */
const STEP_DOTS = 600

/** What of a series is called in a file's name. */
const NAMES: Readonly<Record<SeriesFile, string>> = {
  leaflet: 'leaflet',
  carton: 'cartons',
  labels: 'labels',
  'packing-list': 'packing list',
  key: 'key to the marks',
  everything: 'all that is printed',
}

/** Pages of a series to be printed. */
@Injectable()
export class SeriesFiles {
  constructor(
    private readonly series: SeriesService,
    private readonly photos: PhotoService,
    private readonly settings: SettingsService,
  ) {}

  /** Pages of a file. 409 where something does not go: a carton not onto its paper, packs not together. */
  async file(roster: string, file: SeriesFile): Promise<Picture> {
    const drawn = await this.series.drawn(roster)
    const { paper } = await this.settings.all()
    return {
      name: `${drawn.series.title || drawn.roster.name}, ${NAMES[file]}`,
      pages: await this.pages(drawn, file, paper),
    }
  }

  private async pages(drawn: SeriesDrawn, file: SeriesFile, paper: PaperSize): Promise<Page[]> {
    const { series, members } = drawn
    switch (file) {
      case 'leaflet':
        return leafletPages(series, members, { bonus: await this.bonusTold(series) }).pages
      case 'carton':
        return cartonsOf(drawn, this.series)
      case 'labels':
        return labelPages(series, this.series.packsOf(drawn), paper)
      case 'packing-list':
        return packingListPages(series, this.series.packsOf(drawn), this.series.namesOf(drawn), paper)
      case 'key':
        return keyPages(series, this.series.packsOf(drawn), this.series.namesOf(drawn), paper)
      case 'everything': {
        const all: Page[] = []
        for (const one of SERIES_FILES) if (one !== 'everything') all.push(...(await this.pages(drawn, one, paper)))
        return all
      }
    }
  }

  /** How the bonus is built, with its pictures inside. */
  private async bonusTold({ bonus }: Series): Promise<BonusTold | null> {
    if (!bonus) return null
    const steps = await Promise.all(
      bonus.steps.map(async ({ text, photo }) => ({
        text,
        picture: photo === null ? null : await this.picture(photo),
      })),
    )
    return {
      name: bonus.name,
      pieces: bonus.pieces.map(({ name, qty }) => (qty === 1 ? name : `${qty} × ${name}`)),
      steps,
    }
  }

  private async picture(hash: string): Promise<string> {
    const file = await this.photos.fileOf(hash)
    const bytes = await sharp(file).resize(STEP_DOTS, STEP_DOTS, { fit: 'cover' }).jpeg({ quality: 85 }).toBuffer()
    return `data:image/jpeg;base64,${bytes.toString('base64')}`
  }
}

/** Sheets of cartons, each with the mark of its pack where there are packs. */
function cartonsOf(drawn: SeriesDrawn, series: SeriesService): Page[] {
  const { members, catalogue } = drawn
  const { carton, packs } = drawn.series
  const inner = carton.inner ?? innerSizeOf(members, catalogue, carton.clearance)!.inner
  const copies = carton.copies ?? (packs.packs || members.length)
  const marks = packs.packs > 0 ? marksOf(drawn, series) : []
  const sheets = cartonSheets(drawn.series, members, inner, copies, marks)
  if (sheets.pages.length === 0)
    throw new Problem(409, tooLargeInWords(sheets), [{ field: 'carton.paper', message: tooLargeInWords(sheets) }])
  return sheets.pages
}

/** Marks of the packs; none where no packs can be made, since cartons can be printed all the same. */
function marksOf(drawn: SeriesDrawn, series: SeriesService) {
  try {
    const { packs, bits } = series.packsOf(drawn)
    return packs.map(({ code }) => packMark(code, bits))
  } catch (error) {
    if (error instanceof Problem) return []
    throw error
  }
}

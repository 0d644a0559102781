import { Injectable } from '@nestjs/common'
import sharp from 'sharp'
import { collate } from '@outfit/core/packs'
import {
  bonusTold,
  cartonsOf,
  keyPages,
  labelPages,
  leafletPages,
  packingListPages,
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
        return sheetsOf(drawn)
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
    const photos = bonus?.steps.flatMap(({ photo }) => photo ?? []) ?? []
    const pictures = new Map(await Promise.all(photos.map(async (hash) => [hash, await this.picture(hash)] as const)))
    return bonusTold(bonus, (hash) => pictures.get(hash) ?? null)
  }

  private async picture(hash: string): Promise<string> {
    const file = await this.photos.fileOf(hash)
    const bytes = await sharp(file).resize(STEP_DOTS, STEP_DOTS, { fit: 'cover' }).jpeg({ quality: 85 }).toBuffer()
    return `data:image/jpeg;base64,${bytes.toString('base64')}`
  }
}

/** Sheets of cartons. Where no packs can be made they are printed all the same, without marks. */
function sheetsOf({ series, sealed, members, catalogue }: SeriesDrawn): Page[] {
  const plan = sealed?.plan ?? collate(series.packs, members, series.bonus).plan
  const sheets = cartonsOf(series, members, catalogue, plan)!
  if (sheets.pages.length === 0)
    throw new Problem(409, tooLargeInWords(sheets), [{ field: 'carton.paper', message: tooLargeInWords(sheets) }])
  return sheets.pages
}

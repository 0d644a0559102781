import { Inject, Injectable, StreamableFile } from '@nestjs/common'
import { Resvg } from '@resvg/resvg-js'
import type { Response } from 'express'
import { join } from 'node:path'
import { pageSvg, printedSize, stacked, type Page } from '@outfit/core/show'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { embeddedFontCss, fontFiles, INNER_FAMILIES, subsetsIn } from '../paper/fonts.ts'
import { picturesPdf } from '../paper/picturesPdf.ts'

/** Dots in a millimetre of a PNG picture: 300 dpi. */
const DOTS_PER_MM = 300 / 25.4
/** Most dots of one picture; a long one has fewer to the millimetre. */
const MOST_DOTS = 60_000_000

/** How pictures are taken out. */
export const PICTURE_KINDS = ['svg', 'png', 'pdf'] as const
export type PictureKind = (typeof PICTURE_KINDS)[number]

/** Something to take out: its pages, and what the file is called. */
export interface Picture {
  name: string
  pages: Page[]
}

/** Turns pages into files: SVG with its fonts inside, PNG at 300 dpi, PDF in true millimetres. */
@Injectable()
export class PictureService {
  constructor(@Inject(SETTINGS) private readonly settings: Settings) {}

  /** A picture as a download. Several pages are one long picture, but in a PDF. */
  async send(kind: PictureKind, { name, pages }: Picture, response: Response): Promise<string | StreamableFile> {
    response.attachment(`${name}.${kind}`)
    if (kind === 'pdf') {
      const pdf = await picturesPdf(this.settings.data, pages)
      // Pages come as they are drawn; whoever takes them out can say how far it is.
      response.setHeader('X-Pages', pages.length)
      return new StreamableFile(pdf, { type: 'application/pdf' })
    }
    const page = pages.length === 1 ? pages[0]! : stacked(name, pages)
    if (kind === 'svg') {
      response.type('image/svg+xml')
      return pageSvg(page, embeddedFontCss)
    }
    return new StreamableFile(await this.png(page), { type: 'image/png' })
  }

  private async png(page: Page): Promise<Buffer> {
    const svg = pageSvg(page, undefined, INNER_FAMILIES)
    const files = await fontFiles(join(this.settings.data, 'fonts'))
    // Each file is read anew for every picture.
    const used: Set<string> = subsetsIn(svg)
    const { width, height } = printedSize(page)
    const dots = Math.min(DOTS_PER_MM, Math.sqrt(MOST_DOTS / (width * height)))
    const picture = new Resvg(svg, {
      font: {
        fontFiles: [...files].flatMap(([name, path]) => (used.has(name.slice(name.indexOf(' ') + 1)) ? [path] : [])),
        loadSystemFonts: false,
        defaultFontFamily: 'Atkinson Hyperlegible Next',
      },
      fitTo: { mode: 'width', value: Math.round(width * dots) },
    })
    return picture.render().asPng()
  }
}

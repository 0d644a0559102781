import { Inject, Injectable } from '@nestjs/common'
import { Resvg } from '@resvg/resvg-js'
import { join } from 'node:path'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { embeddedFontCss, fontFiles } from '../paper/fonts.ts'

/** Dots in a millimetre of a PNG picture: 300 dpi. */
const DOTS_PER_MM = 300 / 25.4

/** Turns pictures of one unit a millimetre into files: SVG with its fonts inside, PNG at 300 dpi. */
@Injectable()
export class PictureService {
  private css: string | undefined

  constructor(@Inject(SETTINGS) private readonly settings: Settings) {}

  fontCss(): string {
    return (this.css ??= embeddedFontCss())
  }

  /** An SVG document drawn, `width` millimetres wide. */
  async png(svg: string, width: number): Promise<Buffer> {
    const files = await fontFiles(join(this.settings.data, 'fonts'))
    const picture = new Resvg(svg, {
      font: { fontFiles: files, loadSystemFonts: false, defaultFontFamily: 'Atkinson Hyperlegible Next' },
      fitTo: { mode: 'width', value: Math.round(width * DOTS_PER_MM) },
    })
    return picture.render().asPng()
  }
}

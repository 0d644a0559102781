import type { Page } from '@outfit/core/show'
import { pageSvg } from '@outfit/core/show'
import { startPdf } from './startPdf.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4

/**
 * Pages as one PDF, each at its own size in true millimetres, with fonts embedded and text that can be selected. `told`
 * hears after each page how many are done; it may throw to stop.
 */
export async function picturesPdf(
  dataFolder: string,
  pages: readonly Page[],
  told: (done: number) => Promise<void> | void = () => {},
): Promise<Buffer> {
  const { pdf, finish } = await startPdf(dataFolder, pages[0]?.title ?? '')
  const { default: SVGtoPDF } = await import('svg-to-pdfkit')
  for (const [i, page] of pages.entries()) {
    const size = { width: page.width * MM, height: page.height * MM }
    pdf.addPage({ size: [size.width, size.height], margin: 0 })
    SVGtoPDF(pdf as never, pageSvg(page), 0, 0, {
      ...size,
      fontCallback: (family, bold) => (/Bricolage/.test(family) ? 'heading' : bold ? 'strong' : 'text'),
      warningCallback: (warning) => {
        throw new Error(`A page cannot be put into a PDF: ${warning}`)
      },
    })
    await told(i + 1)
  }
  return finish()
}

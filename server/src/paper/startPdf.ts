import { join } from 'node:path'
import { PAPERS, type Paper } from '@outfit/core/settings'
import { fontFiles } from './fonts.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4

/** A document of a paper without a page yet, with the fonts `heading`, `text` and `strong`; `finish` gives its bytes; until then whoever reads it as a stream gets what is done. */
export async function startPdf(
  dataFolder: string,
  title: string,
  paper: Paper = 'A4',
): Promise<{ pdf: PDFKit.PDFDocument; finish: () => Promise<Buffer> }> {
  // Loaded when one is made: its fonts and tables are a tenth of the time the program takes to start.
  const { default: PDFDocument } = await import('pdfkit')
  const pdf = new PDFDocument({
    size: [PAPERS[paper].width * MM, PAPERS[paper].height * MM],
    margin: 0,
    autoFirstPage: false,
    info: { Title: title },
  })
  const [text, strong, heading] = await fontFiles(join(dataFolder, 'fonts'))
  pdf.registerFont('heading', heading!)
  pdf.registerFont('text', text!)
  pdf.registerFont('strong', strong!)
  return {
    pdf,
    finish: async () => {
      pdf.end()
      const chunks: Buffer[] = []
      for await (const chunk of pdf as unknown as AsyncIterable<Buffer>) chunks.push(chunk)
      return Buffer.concat(chunks)
    },
  }
}

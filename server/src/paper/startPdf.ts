import { join } from 'node:path'
import { PAPERS, type Paper } from '@outfit/core/settings'
import { FACE_NAMES, fontFiles, fontName, runsOf, SUBSETS, type FaceName } from './fonts.ts'

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
  const files = await fontFiles(join(dataFolder, 'fonts'))
  for (const face of FACE_NAMES) {
    for (const subset of SUBSETS) pdf.registerFont(fontName(face, subset), files.get(fontName(face, subset))!)
    pdf.registerFont(face, files.get(fontName(face, 'latin'))!)
  }
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

/** How wide a text is at the size the document has. */
export function widthOf(pdf: PDFKit.PDFDocument, face: FaceName, text: string): number {
  return runsOf(text).reduce((sum, run) => sum + pdf.font(fontName(face, run.subset)).widthOfString(run.text), 0)
}

/** Write a text in a face, each of its letters out of the file that has it. */
export function write(
  pdf: PDFKit.PDFDocument,
  face: FaceName,
  text: string,
  x: number,
  y: number,
  options: PDFKit.Mixins.TextOptions,
): void {
  const runs = runsOf(text)
  runs.forEach((run, i) => {
    pdf.font(fontName(face, run.subset))
    // A line that is not broken goes on by itself; where lines are, the next piece has to be announced.
    const more = options.lineBreak === false ? options : { ...options, continued: i < runs.length - 1 }
    if (i === 0) pdf.text(run.text, x, y, more)
    else pdf.text(run.text, more)
  })
}

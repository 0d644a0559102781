import type { Shape } from '@outfit/core/mannequin'
import { PAPER, printedSize, type Mark, type Page } from '@outfit/core/show'
import { startPdf } from './startPdf.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4
const INK = '#2A2730'

type Pdf = PDFKit.PDFDocument

/**
 * Pages as one PDF, each at its own size in true millimetres, with fonts embedded and text that can be selected. The marks
 * of a page are drawn one by one, as its SVG says them.
 */
export async function picturesPdf(dataFolder: string, pages: readonly Page[]): Promise<Buffer> {
  const { pdf, finish } = await startPdf(dataFolder, pages[0]?.title ?? '')
  for (const page of pages) {
    const { width, height, marks, scale = 1 } = page
    const printed = printedSize(page)
    pdf.addPage({ size: [printed.width * MM, printed.height * MM], margin: 0 })
    pdf
      .scale(MM * scale)
      .lineJoin('round')
      .lineCap('butt')
    pdf.rect(0, 0, width, height).fill(PAPER.ground)
    for (const mark of marks) draw(pdf, mark)
    // Whoever asks something else meanwhile has a turn between two pages.
    await new Promise(setImmediate)
  }
  return finish()
}

function draw(pdf: Pdf, mark: Mark): void {
  switch (mark.kind) {
    case 'text': {
      const { x, y, size, value, anchor = 'start', strong, heading, fill = INK } = mark
      pdf.font(heading ? 'heading' : strong ? 'strong' : 'text').fontSize(size)
      const wide = anchor === 'start' ? 0 : pdf.widthOfString(value)
      const left = x - (anchor === 'end' ? wide : wide / 2)
      pdf.fillColor(fill).text(value, left, y, { lineBreak: false, baseline: 'alphabetic' })
      return
    }
    case 'path': {
      const { d, x = 0, y = 0, fill = 'none', stroke, width = 1, dashes } = mark
      pdf.save().translate(x, y)
      if (dashes) {
        const [on = 1, off = 1] = dashes.split(' ').map(Number)
        pdf.dash(on, { space: off })
      }
      paint(pdf.path(d), fill, stroke, width)
      pdf.restore()
      return
    }
    case 'rect': {
      const { x, y, width, height, radius, fill = 'none', stroke, line = 1 } = mark
      paint(radius ? pdf.roundedRect(x, y, width, height, radius) : pdf.rect(x, y, width, height), fill, stroke, line)
      return
    }
    case 'dot':
      paint(pdf.circle(mark.x, mark.y, mark.radius), mark.fill, INK, mark.line)
      return
    case 'image': {
      const { href, x, y, width, height } = mark
      pdf.image(Buffer.from(href.slice(href.indexOf(',') + 1), 'base64'), x, y, { width, height })
      return
    }
    case 'figure': {
      pdf.save().translate(mark.x, mark.y).scale(mark.scale).lineCap('round')
      for (const shape of mark.drawing.shapes) drawShape(pdf, shape)
      pdf.restore()
    }
  }
}

/** Fill and outline the path that was begun; a path of neither leaves nothing. */
function paint(pdf: Pdf, fill: string, stroke: string | undefined, width: number): void {
  if (stroke) pdf.lineWidth(width)
  if (fill !== 'none' && stroke) pdf.fillAndStroke(fill, stroke)
  else if (fill !== 'none') pdf.fill(fill)
  else if (stroke) pdf.stroke(stroke)
}

function drawShape(pdf: Pdf, { d, fill, stroke, strokeWidth = 1, opacity, clip }: Shape): void {
  if (fill === 'none' && !stroke) return
  const apart = clip !== undefined || opacity !== undefined
  if (apart) pdf.save()
  if (clip !== undefined) pdf.path(clip).clip()
  if (opacity !== undefined) pdf.opacity(opacity)
  paint(pdf.path(d), fill, stroke, strokeWidth)
  if (apart) pdf.restore()
}

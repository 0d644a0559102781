import type { Readable } from 'node:stream'
import type { Shape } from '@outfit/core/mannequin'
import { PAPER, printedSize, runsOfLayers, type Mark, type Page } from '@outfit/core/show'
import { startPdf, widthOf, write } from './startPdf.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4
const INK = '#2A2730'

type Pdf = PDFKit.PDFDocument
type Reference = PDFKit.PDFKitReference

/**
 * Pages as one PDF, each at its own size in true millimetres, with fonts embedded and text that can be selected. The marks
 * of a page are drawn one by one, as its SVG says them; layers become layers of the document (ISO 32000-1, 8.11), which its
 * reader shows and hides one by one. Read as a stream, a page comes as soon as it is drawn; whoever reads no further stops
 * the drawing.
 */
export async function picturesPdf(dataFolder: string, pages: readonly Page[]): Promise<Readable> {
  const { pdf } = await startPdf(dataFolder, pages[0]?.title ?? '')
  const stream = pdf as unknown as Readable
  drawAll(pdf, stream, pages).catch((error: Error) => stream.destroy(error))
  return stream
}

async function drawAll(pdf: Pdf, stream: Readable, pages: readonly Page[]): Promise<void> {
  const layers = layersOf(pdf)
  for (const page of pages) {
    if (stream.destroyed) return

    const { width, height, marks, scale = 1, ground = PAPER.ground } = page
    const printed = printedSize(page)
    pdf.addPage({ size: [printed.width * MM, printed.height * MM], margin: 0 })
    pdf
      .scale(MM * scale)
      .lineJoin('round')
      .lineCap('butt')
    pdf.rect(0, 0, width, height).fill(ground)
    for (const { layer, marks: own } of runsOfLayers(marks))
      layers.on(layer, () => {
        for (const mark of own) draw(pdf, mark)
      })
    // Whoever asks something else meanwhile has a turn between two pages.
    await new Promise(setImmediate)
  }
  layers.finish()
  pdf.end()
}

/** An object of a document whose entries the package does not describe. */
interface Dictionary {
  data: Record<string, unknown>
}

/** Layers of a document, each made when something is first drawn on it. */
function layersOf(pdf: Pdf) {
  const made = new Map<string, Reference>()
  return {
    /** Draw on a layer, or on none. */
    on(name: string | undefined, drawIt: () => void): void {
      if (name === undefined) return drawIt()
      let layer = made.get(name)
      if (!layer) {
        layer = pdf.ref({ Type: 'OCG', Name: new String(name) })
        layer.end('')
        made.set(name, layer)
      }
      const known = [...made.keys()].indexOf(name)
      const { resources } = pdf.page as unknown as { resources: Dictionary }
      resources.data['Properties'] = { ...(resources.data['Properties'] as object | undefined), [`L${known}`]: layer }
      pdf.addContent(`/OC /L${known} BDC`)
      drawIt()
      pdf.addContent('EMC')
    },
    /** Tell the document of its layers. */
    finish(): void {
      const all = [...made.values()]
      if (all.length > 0)
        (pdf as unknown as { _root: Dictionary })._root.data['OCProperties'] = {
          OCGs: all,
          D: { Order: all, ON: all },
        }
    },
  }
}

function draw(pdf: Pdf, mark: Mark): void {
  switch (mark.kind) {
    case 'text': {
      const { x, y, size, value, anchor = 'start', strong, heading, fill = INK } = mark
      const face = heading ? 'heading' : strong ? 'strong' : 'text'
      pdf.fontSize(size).fillColor(fill)
      const wide = anchor === 'start' ? 0 : widthOf(pdf, face, value)
      const left = x - (anchor === 'end' ? wide : wide / 2)
      write(pdf, face, value, left, y, { lineBreak: false, baseline: 'alphabetic' })
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
      const { href, x, y, width, height, cover } = mark
      const bytes = Buffer.from(href.slice(href.indexOf(',') + 1), 'base64')
      if (!cover) pdf.image(bytes, x, y, { width, height })
      else {
        pdf.save().rect(x, y, width, height).clip()
        pdf.image(bytes, x, y, { cover: [width, height], align: 'center', valign: 'center' })
        pdf.restore()
      }
      return
    }
    case 'group': {
      const { x = 0, y = 0, turn = 0, clip, marks } = mark
      pdf.save().translate(x, y)
      if (turn !== 0) pdf.rotate(turn)
      if (clip !== undefined) pdf.path(clip).clip()
      for (const one of marks) draw(pdf, one)
      pdf.restore()
      return
    }
    case 'figure': {
      pdf.save().translate(mark.x, mark.y).scale(mark.scale).lineCap('round')
      drawFigureOnce(pdf, mark.drawing.shapes)
      pdf.restore()
    }
  }
}

/** Figures a document holds already, by the list of their shapes. */
const FIGURES = new WeakMap<Pdf, Map<readonly Shape[], { name: string; form: Reference }>>()

/**
 * Draw a figure. Its shapes stand in the document once, as a form (ISO 32000-1, 8.10), however often it is shown: on two
 * dozen cartons that is the most of what there is to write.
 */
function drawFigureOnce(pdf: Pdf, shapes: readonly Shape[]): void {
  const known = FIGURES.get(pdf) ?? new Map<readonly Shape[], { name: string; form: Reference }>()
  FIGURES.set(pdf, known)
  const page = pdf.page as unknown as { xobjects: Record<string, Reference>; ext_gstates: Record<string, Reference> }
  let figure = known.get(shapes)
  if (!figure) {
    const written: string[] = []
    const write = pdf.addContent.bind(pdf)
    pdf.addContent = (words: string) => {
      written.push(words)
      return pdf
    }
    try {
      for (const shape of shapes) drawShape(pdf, shape)
    } finally {
      pdf.addContent = write
    }
    const form = pdf.ref({
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [-EVERYWHERE, -EVERYWHERE, EVERYWHERE, EVERYWHERE],
      Resources: { ExtGState: { ...page.ext_gstates } },
    })
    form.end(Buffer.from(written.join('\n')))
    figure = { name: `Fig${known.size + 1}`, form }
    known.set(shapes, figure)
  }
  page.xobjects[figure.name] = figure.form
  pdf.addContent(`/${figure.name} Do`)
}

/** Beyond any figure, in its units. */
const EVERYWHERE = 2000

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

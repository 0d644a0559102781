import { Inject, Injectable } from '@nestjs/common'
import QRCode from 'qrcode'
import { DataSource, In } from 'typeorm'
import { binKind, walkingOrder } from '@outfit/core/drawer'
import { Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { startPdf } from '../paper/startPdf.ts'
import { BinEntity } from '../schema/drawer.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4

/** A sheet of labels on A4, in millimetres, with lines to cut along. */
const SHEET = { left: 15, top: 12, columns: 3, rows: 8, width: 60, height: 34, margin: 4, code: 26 } as const

/** Sheets of labels for bins: the name, where the bin lies, and a code that opens it. */
@Injectable()
export class LabelService {
  constructor(
    private readonly database: DataSource,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** A PDF of labels in walking order; `codes` are the bins, none for all. `address` is where the application answers. */
  async pdf(codes: readonly string[], address: string): Promise<Buffer> {
    const all = await this.database.getRepository(BinEntity).find()
    const unknown = codes.find((code) => !all.some((bin) => bin.code === code))
    if (unknown) throw new Problem(404, `There is no bin ${unknown}. No sheet was made.`)
    const bins = walkingOrder(all).filter((bin) =>
      codes.length > 0 ? codes.includes(bin.code) : ['loose', 'donor'].includes(binKind(bin)),
    )
    if (bins.length === 0) throw new Problem(409, 'There are no bins yet. Make one first.')
    const parents = await this.database
      .getRepository(BinEntity)
      .findBy({ code: In(bins.flatMap(({ parent }) => parent ?? [])) })
    const { pdf, finish } = await startPdf(this.settings.data, 'Labels for bins')
    const onSheet = SHEET.columns * SHEET.rows
    for (const [i, bin] of bins.entries()) {
      if (i % onSheet === 0) pdf.addPage()
      const at = i % onSheet
      const x = (SHEET.left + (at % SHEET.columns) * SHEET.width) * MM
      const y = (SHEET.top + Math.floor(at / SHEET.columns) * SHEET.height) * MM
      pdf
        .lineWidth(0.4)
        .dash(2, { space: 2 })
        .strokeColor('#8a8377')
        .rect(x, y, SHEET.width * MM, SHEET.height * MM)
        .stroke()
        .undash()
      drawCode(
        pdf,
        `${address}/drawer/bins/${encodeURIComponent(bin.code)}`,
        x + SHEET.margin * MM,
        y + SHEET.margin * MM,
      )
      const left = x + (SHEET.code + 2 * SHEET.margin) * MM
      const room = (SHEET.width - SHEET.code - 3 * SHEET.margin) * MM
      pdf
        .fillColor('#2a2730')
        .font('heading')
        .fontSize(sizeFor(pdf, bin.name, room))
      pdf.text(bin.name, left, y + SHEET.margin * MM, { width: room, height: 17 * MM, ellipsis: true })
      const inside = parents.find(({ code }) => code === bin.parent)
      pdf.font('text').fontSize(8)
      pdf.text(inside ? `in ${inside.name}` : '', left, y + (SHEET.height - 11) * MM, {
        width: room,
        height: 4 * MM,
        ellipsis: true,
      })
      pdf.text(bin.code, left, y + (SHEET.height - 7) * MM, { width: room, height: 4 * MM, ellipsis: true })
    }
    return finish()
  }
}

/** The largest size, in points, at which no word of a name has to be broken. */
function sizeFor(pdf: PDFKit.PDFDocument, name: string, room: number): number {
  const fits = (size: number) => name.split(/\s+/).every((word) => pdf.fontSize(size).widthOfString(word) <= room)
  return [12, 11, 10, 9].find(fits) ?? 8
}

/** A QR code (ISO/IEC 18004, level M) as squares, SHEET.code millimetres wide. */
function drawCode(pdf: PDFKit.PDFDocument, address: string, x: number, y: number): void {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const side = (SHEET.code * MM) / modules.size
  pdf.fillColor('#000000')
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) pdf.rect(x + column * side, y + row * side, side, side)
  pdf.fill()
}

import { Inject, Injectable } from '@nestjs/common'
import QRCode from 'qrcode'
import { DataSource, In } from 'typeorm'
import { binKind, walkingOrder } from '@outfit/core/drawer'
import { Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { LABEL_SHEETS, type LabelSheet } from '@outfit/core/settings'
import { SettingsService } from '../settings/settingsService.ts'
import { startPdf, widthOf, write } from '../paper/startPdf.ts'
import { BinEntity } from '../schema/drawer.ts'

/** Points in a millimetre. */
const MM = 72 / 25.4

/** What stays free round what is on a label, in millimetres, and how large its code is at most. */
const MARGIN = 4
const CODE = 26

/** Sheets of labels for bins: the name, where the bin lies, and a code that opens it. */
@Injectable()
export class LabelService {
  constructor(
    private readonly database: DataSource,
    @Inject(SETTINGS) private readonly settings: Settings,
    private readonly workspace: SettingsService,
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
    const sheet: LabelSheet = LABEL_SHEETS[(await this.workspace.all()).labels]
    // A low label has a smaller code, and the room beside it.
    const side = Math.min(CODE, sheet.height - 2 * MARGIN)
    const { pdf, finish } = await startPdf(this.settings.data, 'Labels for bins', sheet.paper)
    const onSheet = sheet.columns * sheet.rows
    for (const [i, bin] of bins.entries()) {
      if (i % onSheet === 0) pdf.addPage()
      const at = i % onSheet
      const x = (sheet.left + (at % sheet.columns) * sheet.across) * MM
      const y = (sheet.top + Math.floor(at / sheet.columns) * sheet.down) * MM
      if (sheet.cut)
        pdf
          .lineWidth(0.4)
          .dash(2, { space: 2 })
          .strokeColor('#8a8377')
          .rect(x, y, sheet.width * MM, sheet.height * MM)
          .stroke()
          .undash()
      drawCode(
        pdf,
        `${address}/drawer/bins/${encodeURIComponent(bin.code)}`,
        x + MARGIN * MM,
        y + MARGIN * MM,
        side * MM,
      )
      const left = x + (side + 2 * MARGIN) * MM
      const room = (sheet.width - side - 3 * MARGIN) * MM
      pdf.fillColor('#2a2730').fontSize(sizeFor(pdf, bin.name, room))
      write(pdf, 'heading', bin.name, left, y + MARGIN * MM, {
        width: room,
        height: (sheet.height - 17) * MM,
        ellipsis: true,
      })
      const inside = parents.find(({ code }) => code === bin.parent)
      pdf.fontSize(8)
      write(pdf, 'text', inside ? `in ${inside.name}` : '', left, y + (sheet.height - 11) * MM, {
        width: room,
        height: 4 * MM,
        ellipsis: true,
      })
      write(pdf, 'text', bin.code, left, y + (sheet.height - 7) * MM, { width: room, height: 4 * MM, ellipsis: true })
    }
    return finish()
  }
}

/** The largest size, in points, at which no word of a name has to be broken. */
function sizeFor(pdf: PDFKit.PDFDocument, name: string, room: number): number {
  const fits = (size: number) => name.split(/\s+/).every((word) => widthOf(pdf.fontSize(size), 'heading', word) <= room)
  return [12, 11, 10, 9].find(fits) ?? 8
}

/** A QR code (ISO/IEC 18004, level M) as squares, so many points wide. */
function drawCode(pdf: PDFKit.PDFDocument, address: string, x: number, y: number, width: number): void {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const side = width / modules.size
  pdf.fillColor('#000000')
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) pdf.rect(x + column * side, y + row * side, side, side)
  pdf.fill()
}

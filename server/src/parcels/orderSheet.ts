import { Inject, Injectable } from '@nestjs/common'
import { formatMoney } from '@outfit/core/market'
import { type ToldParcel } from '@outfit/core/parcels'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { PAPERS } from '@outfit/core/settings'
import { SettingsService } from '../settings/settingsService.ts'
import { startPdf, write } from '../paper/startPdf.ts'

const MM = 72 / 25.4
/** Millimetres: where each column begins, and where the last one ends. */
const PAGE = { left: 18, top: 20, right: 192 }
/** What stays free at the foot of a page. */
const FOOT = 20
const COLUMNS = { qty: 18, code: 32, item: 60, price: 135, sum: 192 }
const ROW = 7

/** Printed order lists, to send to a seller or to tick off when the parcel is here. */
@Injectable()
export class OrderSheet {
  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    private readonly workspace: SettingsService,
  ) {}

  async pdf({ seller, currency, lines, goods, shipping, handling, orderedOn, number }: ToldParcel): Promise<Buffer> {
    const { paper } = await this.workspace.all()
    const bottom = PAPERS[paper].height - FOOT
    const { pdf, finish } = await startPdf(this.settings.data, `Order, ${seller.name}`, paper)
    const money = (amount: number) => formatMoney(amount, currency)
    let y: number = bottom
    const right = (words: string, edge: number) =>
      pdf.font('text').text(words, (edge - 40) * MM, y * MM, { width: 40 * MM, align: 'right', lineBreak: false })
    const row = () => {
      y += ROW
      if (y <= bottom) return
      pdf.addPage().fillColor('#2a2730').fontSize(16)
      write(pdf, 'heading', `Order to ${seller.name}`, PAGE.left * MM, PAGE.top * MM, { lineBreak: false })
      pdf.fontSize(10)
      write(pdf, 'text', [orderedOn, number].filter(Boolean).join(' · '), PAGE.left * MM, (PAGE.top + 8) * MM, {
        lineBreak: false,
      })
      y = PAGE.top + 18
    }
    row()
    for (const { code, name, condition, qty, price } of lines.filter((line) => line.qty > 0)) {
      pdf.lineWidth(0.3).strokeColor('#8a8377')
      pdf.rect(PAGE.left * MM, (y + 0.5) * MM, 3.5 * MM, 3.5 * MM).stroke()
      write(pdf, 'text', `${qty} ×`, (COLUMNS.qty + 5) * MM, y * MM, { lineBreak: false })
      write(pdf, 'text', code, COLUMNS.code * MM, y * MM, { lineBreak: false })
      write(pdf, 'text', `${name}, ${condition}`, COLUMNS.item * MM, y * MM, {
        width: (COLUMNS.price - COLUMNS.item - 4) * MM,
        height: 5 * MM,
        ellipsis: true,
      })
      right(money(price), COLUMNS.price + 27)
      right(money(price * qty), COLUMNS.sum)
      row()
    }
    for (const [what, amount] of [
      ['Goods', goods],
      ['Shipping', shipping],
      ['Handling', handling],
      ['In all', goods + shipping + handling],
    ] as const) {
      write(pdf, 'text', what, COLUMNS.item * MM, y * MM, { lineBreak: false })
      right(money(amount), COLUMNS.sum)
      row()
    }
    return finish()
  }
}

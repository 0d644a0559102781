import { expect, test } from '@jest/globals'
import { LABEL_SHEETS, PAPERS, type LabelSheet } from './index.ts'

test.each(Object.entries(LABEL_SHEETS) as [string, LabelSheet][])(
  'every label of %s lies on its sheet, beside the others',
  (_name, sheet) => {
    const paper = PAPERS[sheet.paper]
    const right = sheet.left + (sheet.columns - 1) * sheet.across + sheet.width
    const bottom = sheet.top + (sheet.rows - 1) * sheet.down + sheet.height
    expect([sheet.left >= 0, right <= paper.width + 0.01]).toEqual([true, true])
    expect([sheet.top >= 0, bottom <= paper.height + 0.01]).toEqual([true, true])
    expect(sheet.across).toBeGreaterThanOrEqual(sheet.width)
    expect(sheet.down).toBeGreaterThanOrEqual(sheet.height)
    // Its margins are alike on both sides, within a millimetre.
    expect(Math.abs(sheet.left - (paper.width - right))).toBeLessThan(1)
    expect(sheet.label).toContain(String(sheet.columns * sheet.rows))
  },
)

import { expect, test } from '@jest/globals'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pdfText } from '../test/pdfText.ts'
import {
  embeddedFontCss,
  FACE_NAMES,
  fontFiles,
  fontName,
  INNER_FAMILIES,
  runsOf,
  SUBSETS,
  type FaceName,
} from './fonts.ts'
import { startPdf, widthOf, write } from './startPdf.ts'

/** Words in which the letters of a language stand that others do not have. */
const WORDS = {
  english: 'Night market “late” – 3 × €2',
  german: 'Größe, Übermut',
  polish: 'Zażółć gęślą jaźń',
  czech: 'Příliš žluťoučký kůň',
  hungarian: 'Árvíztűrő tükörfúrógép',
  romanian: 'Țară și străzi',
  esperanto: 'Ĉapo, ĝojo, ŝuo, ĥoro, ĵaŭdo',
  maltese: 'Ħanut tal-għaxija',
  japanese: 'Tōkyō, Kyūshū',
  turkish: 'Iğdır, İzmir, Şişli',
  vietnamese: 'Chợ đêm, đèn lồng, mũ nồi',
  greek: 'Νυχτερινή αγορά, Ώρα',
  russian: 'Ночной рынок, подъезд, ёж',
  ukrainian: 'Нічний ринок, їжак, ґанок',
}

/** Letters of a text that are not in the file they are looked for in. */
function lackingIn(pdf: PDFKit.PDFDocument, face: FaceName, words: string): string {
  return runsOf(words)
    .flatMap(({ subset, text }) => {
      pdf.font(fontName(face, subset))
      const { _font } = pdf as unknown as { _font: { font: { hasGlyphForCodePoint: (code: number) => boolean } } }
      return [...text].filter((letter) => !_font.font.hasGlyphForCodePoint(letter.codePointAt(0)!))
    })
    .join('')
}

test('a text is cut where its letters are in another file, and accents stay with their letter', () => {
  expect(runsOf('')).toEqual([])
  expect(runsOf('Ωμ, Żar')).toEqual([
    { subset: 'greek', text: 'Ωμ' },
    { subset: 'latin', text: ', ' },
    { subset: 'latin-ext', text: 'Ż' },
    { subset: 'latin', text: 'ar' },
  ])
  expect(runsOf('и\u0301')).toEqual([{ subset: 'cyrillic', text: 'и\u0301' }])
  // What no file has is left to the first.
  expect(runsOf('猫')).toEqual([{ subset: 'latin', text: '猫' }])
})

test('what is drawn on paper has the letters of many languages, in every face, and can be read out again', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-fonts-'))
  try {
    const { pdf, finish } = await startPdf(folder, 'Letters')
    pdf.addPage().fontSize(12)
    const lacking = Object.entries(WORDS).flatMap(([language, words]) =>
      FACE_NAMES.map((face) => [language, face, lackingIn(pdf, face, words)]),
    )
    expect(lacking.filter(([, , letters]) => letters !== '')).toEqual([])
    Object.values(WORDS).forEach((words, i) => write(pdf, 'text', words, 20, 20 + 20 * i, { lineBreak: false }))
    write(pdf, 'strong', WORDS.polish, 20, 400, { width: 60, height: 40, ellipsis: true })
    expect(widthOf(pdf, 'text', 'aΩ')).toBeCloseTo(widthOf(pdf, 'text', 'a') + widthOf(pdf, 'text', 'Ω'), 6)
    const [page] = await pdfText(await finish())
    const read = page!.text.normalize('NFC').replace(/\s+/g, '')
    for (const words of Object.values(WORDS)) expect(read).toContain(words.normalize('NFC').replace(/\s+/g, ''))
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('whoever takes one family for each letter is told which, and text needs no cutting where it is of one', () => {
  const { text, heading, piecesOf } = INNER_FAMILIES
  expect(piecesOf!('Größe', text)).toEqual([{ text: 'Größe', family: text }])
  const pieces = piecesOf!('Ża Ω', heading)
  expect(pieces.map((piece) => piece.text)).toEqual(['Ż', 'a ', 'Ω'])
  // As long as before, since it takes its place in the file.
  expect(new Set(pieces.map(({ family }) => family)).size).toBe(3)
  expect(pieces[0]!.family).toHaveLength(heading.length)
  expect(pieces[1]!.family).toBe(heading)
})

test('each file is called inside what whoever draws with it asks for', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-fonts-'))
  try {
    const files = await fontFiles(folder)
    const words = Object.values(WORDS).join(' ')
    for (const face of FACE_NAMES) {
      const family = face === 'heading' ? INNER_FAMILIES.heading : INNER_FAMILIES.text
      const pieces = INNER_FAMILIES.piecesOf!(words, family)
      runsOf(words).forEach(({ subset }, i) => {
        const name = Buffer.from(pieces[i]!.family, 'utf16le').swap16()
        expect([face, subset, readFileSync(files.get(fontName(face, subset))!).includes(name)]).toEqual([
          face,
          subset,
          true,
        ])
      })
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('no letter of Latin alphabets is lacking in any face', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-fonts-'))
  try {
    const { pdf } = await startPdf(folder, 'Letters')
    // But for one that is no letter of any language any more.
    const letters = Array.from({ length: 0x80 }, (_, i) => String.fromCodePoint(0x100 + i)).filter((one) => one !== 'ŉ')
    for (const face of FACE_NAMES) expect([face, lackingIn(pdf, face, letters.join(''))]).toEqual([face, ''])
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('a picture carries the files that have its letters, and no others', () => {
  const rules = (text: string) => embeddedFontCss(text).match(/@font-face/g)!.length
  expect(rules('Größe')).toBe(FACE_NAMES.length)
  expect(rules(WORDS.polish)).toBe(2 * FACE_NAMES.length)
  expect(rules(WORDS.greek + WORDS.russian)).toBe(3 * FACE_NAMES.length)
  expect(rules(Object.values(WORDS).join())).toBeLessThanOrEqual(SUBSETS.length * FACE_NAMES.length)
  expect(embeddedFontCss(WORDS.greek)).toContain('unicode-range:U+0370')
})

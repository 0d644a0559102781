import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

const MM = 72 / 25.4

/** The pages of a PDF: their sizes in millimetres, and the text that can be selected on them. */
export async function pdfText(bytes: Uint8Array): Promise<{ width: number; height: number; text: string }[]> {
  const task = getDocument({ data: bytes, verbosity: 0 })
  const pdf = await task.promise
  const pages = []
  for (let n = 1; n <= pdf.numPages; n++) {
    const page = await pdf.getPage(n)
    const [left = 0, bottom = 0, right = 0, top = 0] = page.view
    const { items } = await page.getTextContent()
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ')
    pages.push({ width: (right - left) / MM, height: (top - bottom) / MM, text })
  }
  await task.destroy()
  return pages
}

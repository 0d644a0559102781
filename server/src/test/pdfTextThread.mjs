// Reads PDFs for tests in a thread of its own: the build of pdfjs for older Node replaces Array.prototype.push, JSON.stringify and others
// of whoever loads it by slow stand-ins.
import { parentPort } from 'node:worker_threads'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

const MM = 72 / 25.4

async function read(data) {
  const task = getDocument({ data, verbosity: 0 })
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

parentPort.on('message', async ({ id, bytes }) => {
  try {
    parentPort.postMessage({ id, pages: await read(bytes) })
  } catch (error) {
    parentPort.postMessage({ id, error: String(error) })
  }
})

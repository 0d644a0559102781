import { Worker } from 'node:worker_threads'

/** A page of a PDF: its size in millimetres, and the text that can be selected on it. */
export interface PdfPage {
  width: number
  height: number
  text: string
}

let thread: Worker | null = null
let asked = 0
let open = 0

/** The pages of a PDF. */
export function pdfText(bytes: Uint8Array): Promise<PdfPage[]> {
  if (!thread) {
    thread = new Worker(new URL('pdfTextThread.mjs', import.meta.url), { execArgv: [] })
    thread.setMaxListeners(0)
    // Nobody waits for it to end.
    thread.unref()
  }
  const id = ++asked
  const reading = thread
  return new Promise((resolve, reject) => {
    open++
    reading.ref()
    const onMessage = (answer: { id: number; pages?: PdfPage[]; error?: string }) => {
      if (answer.id !== id) return
      reading.off('message', onMessage)
      if (--open === 0) reading.unref()
      if (answer.pages) resolve(answer.pages)
      else reject(new Error(answer.error))
    }
    reading.on('message', onMessage)
    reading.once('error', reject)
    reading.postMessage({ id, bytes })
  })
}

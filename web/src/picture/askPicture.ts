import type { Answers } from './picture.worker.ts'

type Waiting = { resolve: (answer: never) => void; reject: (error: Error) => void }

let worker: Worker | null = null
const waiting = new Map<number, Waiting>()
let asked = 0

/** The worker that looks at pictures; begun when it is first asked, and anew after it failed. */
function theWorker(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<{ id: number; answer: never; error?: string }>) => {
    const one = waiting.get(data.id)
    waiting.delete(data.id)
    if (data.error === undefined) one?.resolve(data.answer)
    else one?.reject(new Error(data.error))
  }
  worker.onerror = ({ message }) => {
    worker?.terminate()
    worker = null
    for (const { reject } of waiting.values()) reject(new Error(message))
    waiting.clear()
  }
  return worker
}

/** Ask the worker something of a picture or of a drawing. Rejects where it cannot be worked out. */
export function askPicture<K extends keyof Answers>(
  ask: K,
  ...of: Parameters<Answers[K]>
): Promise<ReturnType<Answers[K]>> {
  return new Promise((resolve, reject) => {
    waiting.set(++asked, { resolve: resolve as (answer: never) => void, reject })
    theWorker().postMessage({ id: asked, ask, of })
  })
}

import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'

/**
 * How long requests wait while `work` is done, by their kind: reads each 100 ms and writes each 500 ms, from a thread of
 * their own, so that the machine's other work here is not measured. In milliseconds.
 */
export async function waitingDuring(url, work) {
  const worker = new Worker(new URL(import.meta.url), { workerData: { url } })
  const told = new Promise((resolve, reject) => {
    worker.once('message', resolve)
    worker.once('error', reject)
  })
  // A request that fails meanwhile ends the measurement at once.
  const result = await Promise.race([work(), told.then(() => undefined)])
  worker.postMessage('enough')
  const waited = await told
  await worker.terminate()
  return { result, waited }
}

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]
const summed = (list) => ({ median: at(list, 0.5), most: at(list, 1), of: list.length })

if (!isMainThread && workerData?.url) {
  let on = true
  parentPort.once('message', () => (on = false))
  const asking = async (every, ask) => {
    const waited = []
    for (let n = 0; on; n++) {
      const start = performance.now()
      const answer = await ask(n)
      await answer.arrayBuffer()
      if (!answer.ok) throw new Error(`${answer.url} answered ${answer.status}`)
      waited.push(Math.round(performance.now() - start))
      await new Promise((resolve) => setTimeout(resolve, every))
    }
    return summed(waited)
  }
  const [reads, writes] = await Promise.all([
    asking(100, () => fetch(`${workerData.url}/api/drawer`)),
    asking(500, (n) =>
      fetch(`${workerData.url}/api/later`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ note: `bench ${n}` }),
      }),
    ),
  ])
  parentPort.postMessage({ reads, writes })
}

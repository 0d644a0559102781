import { formatCount, setForms } from '@outfit/core/base'
import { budgetCurve, castOutfits, cheapestKeeping, NoCasting } from '@outfit/core/casting'
import { setHomeCurrency } from '@outfit/core/market'
import type { Asked } from '../data/useWorker.ts'
import type { Answer, Question } from './question.ts'

const now = () => performance.now() / 1000
const tell = (answer: Answer) => self.postMessage(answer)

/** Work out one question; whoever asked ends the worker to cancel. */
self.onmessage = ({ data }: MessageEvent<Asked<Question>>) => {
  setHomeCurrency(data.home)
  setForms(data.forms)
  try {
    if (data.kind === 'best') {
      const onProgress = ({ explored }: { explored: number }) =>
        tell({ state: 'running', words: `${formatCount(explored)} outfits looked at` })
      tell({
        state: 'best',
        result: castOutfits(data.ask, { count: data.count, seconds: data.seconds, now, onProgress }),
      })
      return
    }
    const effort = {
      seconds: data.seconds,
      now,
      onProgress: (share: number) => tell({ state: 'running', words: `${Math.round(share * 100)} %` }),
    }
    if (data.kind === 'curve') tell({ state: 'curve', curve: budgetCurve(data.ask, effort) })
    else tell({ state: 'cheapest', outfit: cheapestKeeping(data.ask, data.floor, effort) })
  } catch (error) {
    if (error instanceof NoCasting) tell({ state: 'none', why: error.message })
    else throw error
  }
}

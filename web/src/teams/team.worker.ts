import { setForms } from '@outfit/core/base'
import { NoCasting } from '@outfit/core/casting'
import { setHomeCurrency } from '@outfit/core/market'
import { teamCasting } from '@outfit/core/teams'
import type { Asked } from '../data/useWorker.ts'
import type { TeamAnswer, TeamQuestion } from './teamQuestion.ts'

const tell = (answer: TeamAnswer) => self.postMessage(answer)

/** Cast one team; whoever asked ends the worker to cancel. */
self.onmessage = ({ data: { ask, seconds, home, forms } }: MessageEvent<Asked<TeamQuestion>>) => {
  setHomeCurrency(home)
  setForms(forms)
  try {
    const result = teamCasting(ask, {
      seconds,
      now: () => performance.now() / 1000,
      onProgress: ({ worth, bound }) => tell({ state: 'running', worth, bound }),
    })
    tell({ state: 'cast', result })
  } catch (error) {
    if (error instanceof NoCasting) tell({ state: 'none', why: error.message })
    else throw error
  }
}

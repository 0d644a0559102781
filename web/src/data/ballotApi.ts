import type { Ballot, BallotAnswer, BallotWay } from '@outfit/core/ballot'
import type { Drawables } from '@outfit/core/catalogue'
import { api } from './api.ts'

export interface BallotListed {
  id: string
  title: string
  madeAt: string
  way: BallotWay
  candidates: number
  answers: number
}

export interface NewBallot {
  roster: string
  title: string
  question: string
  way: BallotWay
  outfits?: string[]
  outfit?: string
  takes?: string[]
}

/** What came of answers that were brought in. */
export interface AnswersBrought {
  taken: number
  again: string[]
  instead: string[]
  older: string[]
  refused: string[]
}

/** Questions put to others. */
export const ballotApi = api.injectEndpoints({
  endpoints: (build) => ({
    ballots: build.query<BallotListed[], string>({
      query: (roster) => `rosters/${roster}/ballots`,
      providesTags: ['Ballots'],
    }),
    ballot: build.query<{ ballot: Ballot; answers: BallotAnswer[] } & Drawables, string>({
      query: (id) => `ballots/${id}`,
      providesTags: ['Ballots'],
    }),
    makeBallot: build.mutation<{ id: string }, NewBallot>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/ballots`, method: 'POST', body }),
      invalidatesTags: ['Ballots'],
    }),
    bringAnswers: build.mutation<AnswersBrought, { id: string; text: string }>({
      query: ({ id, text }) => ({ url: `ballots/${id}/answers`, method: 'POST', body: { text } }),
      invalidatesTags: ['Ballots'],
    }),
    giveVoices: build.mutation<{ voices: number }, { id: string; outfit: string }>({
      query: ({ id }) => ({ url: `ballots/${id}/voices`, method: 'POST' }),
      invalidatesTags: ['Outfit', 'Shelves'],
    }),
    takeAnswerOff: build.mutation<void, { id: string; voter: string }>({
      query: ({ id, voter }) => ({ url: `ballots/${id}/answers/${voter}`, method: 'DELETE' }),
      invalidatesTags: ['Ballots'],
    }),
    putBallotBack: build.mutation<void, string>({
      query: (id) => ({ url: `ballots/${id}/back`, method: 'PUT' }),
      invalidatesTags: ['Ballots'],
    }),
    removeBallot: build.mutation<void, string>({
      query: (id) => ({ url: `ballots/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Ballots'],
    }),
  }),
})

import { useState } from 'react'
import type { Pixels } from '@outfit/core/colour'
import {
  usualOutline,
  WHOLE_PICTURE,
  type Box,
  type FoundFigure,
  type Landmark,
  type PictureOutline,
} from '@outfit/core/picture'
import type { Reference } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { tellError } from '../ui/tell.ts'
import { askPicture } from './askPicture.ts'

/** What one does about an outline besides moving its points. */
export type OutlineStep =
  | { step: 'laid' }
  /** Several figures were found; one of them is picked. */
  | { step: 'picking'; figures: FoundFigure[] }
  /** Boxes are drawn, one round each figure. */
  | { step: 'boxing'; boxes: Box[] }
  | { step: 'looking' }

interface State {
  reference: string
  outline: PictureOutline | null
  past: (PictureOutline | null)[]
  guessed: Landmark[]
  /** Why the points are where they are, where that needs saying. */
  note: string
  now: OutlineStep
}

const NOT_PLAIN =
  'The ground is not plain enough to find the figure in it. Drag the points where they belong, or draw a box round the figure.'

const NOT_READ = 'The picture could not be read just now. Press “Find again”.'

/** Where in a picture the character is: found, moved by hand, kept with the picture. */
export function useOutline(outfit: string, reference: Reference | undefined, pixels: Pixels | null) {
  const [save] = api.endpoints.saveOutline.useMutation()
  const start = (): State => ({
    reference: reference?.id ?? '',
    outline: reference?.outline ?? null,
    past: [],
    guessed: [],
    note: '',
    now: { step: 'laid' },
  })
  const [kept, setState] = useState(start)
  const state = kept.reference === (reference?.id ?? '') ? kept : start()

  /** Put points somewhere and keep them there; what was before can be had back. */
  const keep = (outline: PictureOutline | null, more: Partial<State> = {}) => {
    setState({ ...state, now: { step: 'laid' }, note: '', outline, past: [...state.past, state.outline], ...more })
    void send(outline)
  }
  const send = async (outline: PictureOutline | null) => {
    if (!reference) return
    const answer = await save({ outfit, id: reference.id, outline })
    if (answer.error) tellError(answer.error)
  }
  /** Ask the worker; where it cannot answer that is said, and what was there stays. */
  const look = async (work: (of: Pixels) => Promise<void>) => {
    if (!pixels) return
    setState({ ...state, note: '', now: { step: 'looking' } })
    await work(pixels).catch(() => setState({ ...state, note: NOT_READ, now: { step: 'laid' } }))
  }
  /** Lay it over the figure in a box; `height` is of the tallest there. */
  const lay = async (box: Box, height: number | null, of: Pixels) => {
    const reading = await askPicture('read', of, { box })
    if (reading) keep({ box, points: reading.outline, height }, { guessed: reading.guessed })
    else keep({ box, points: usualOutline(box, of.width / of.height), height }, { note: NOT_PLAIN })
  }
  return {
    ...state,
    find: () =>
      look(async (of) => {
        const figures = await askPicture('figures', of)
        if (figures.length > 1) setState({ ...state, now: { step: 'picking', figures } })
        else await lay(figures[0]?.box ?? WHOLE_PICTURE, null, of)
      }),
    /** One of several figures that were found. */
    pick: ({ box, height }: FoundFigure) => look((of) => lay(box, height, of)),
    /** Boxes that were drawn: one is gone on with, of several one is picked by how high each figure is. */
    within: (boxes: readonly Box[]) =>
      look(async (of) => {
        const [only] = boxes
        if (boxes.length === 1) return lay(only!, null, of)
        setState({ ...state, now: { step: 'picking', figures: await askPicture('boxes', of, boxes) } })
      }),
    begin: (now: OutlineStep) => setState({ ...state, now }),
    /** Points as they are while one is dragged. */
    move: (outline: PictureOutline, past = state.past) => setState({ ...state, outline, past }),
    keep,
    takeOff: () => keep(null),
    undo: () => {
      const before = state.past.at(-1)
      if (before === undefined) return
      setState({ ...state, outline: before, past: state.past.slice(0, -1), guessed: [], note: '' })
      void send(before)
    },
  }
}

export type OutlineWork = ReturnType<typeof useOutline>

import './standIns.ts'
import { configureStore } from '@reduxjs/toolkit'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { api } from '../data/api.ts'
import { catalogueSlice } from '../data/catalogueSlice.ts'
import type { Asked } from './standIns.ts'

/**
 * A piece of the interface with a store of its own and a server that answers GET of `/api/…` with what `answers` has for the path, and
 * never answers anything else.
 */
export function withServer(piece: ReactNode, answers: Readonly<Record<string, unknown>> = {}) {
  const store = configureStore({
    reducer: { api: api.reducer, catalogue: catalogueSlice.reducer },
    middleware: (defaults) => defaults().concat(api.middleware),
  })
  Object.assign(globalThis, {
    fetch: ({ url }: Asked) => {
      const path = url.replace('/api/', '')
      if (!(path in answers)) return new Promise(() => {})
      const text = () => Promise.resolve(JSON.stringify(answers[path]))
      const answer = { ok: true, status: 200, headers: new Map([['content-type', 'application/json']]), text }
      return Promise.resolve({ ...answer, clone: () => answer })
    },
  })
  return <Provider store={store}>{piece}</Provider>
}

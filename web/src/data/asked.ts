import { fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import { WINDOW_HEADER } from '@outfit/core/news'
import { windowName } from './windowName.ts'

const plain = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers) => headers.set(WINDOW_HEADER, windowName),
})

/** Ask the server, in the name of this window. A device that was put out stands before the door again. */
export const asked: typeof plain = async (what, api, options) => {
  const answer = await plain(what, api, options)
  if (answer.error?.status === 401) window.location.reload()
  return answer
}

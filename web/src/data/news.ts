import type { Aspect, News } from '@outfit/core/news'
import { api } from './api.ts'
import type { AppDispatch } from './hooks.ts'
import { windowName } from './windowName.ts'

const CHANNEL = 'outfit.news'
/** Milliseconds before a line that was lost is opened anew. */
const AGAIN = 2_000

/** What is asked again once something was written. */
const ALWAYS = ['Outfit', 'Shelves', 'Wishes', 'Later', 'Preferences', 'Settings', 'Plans', 'Templates', 'Mappings', 'Series', 'Packs', 'Ballots']
const ROOMS = ['Archives', 'Lists', 'Network', 'Parcels', 'Targets']
const BY_ASPECT: Readonly<Record<Aspect, readonly string[]>> = {
  catalogue: ['Catalogue'],
  drawer: ['Drawer', 'Catalogue'],
  market: ['Sellers', 'Targets', 'Catalogue'],
}

/**
 * Follow what is written elsewhere: on other devices and in other windows. What this window shows is asked for again; what is
 * being typed in it stays. Of the windows of a browser one holds the line and tells the others, since a browser opens few.
 */
export function followNews(dispatch: AppDispatch): void {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL)
  const heed = ({ by, aspects, replaced }: News) => {
    if (by === windowName) return
    if (replaced) return window.location.reload()
    const tags = [...ALWAYS, ...ROOMS, ...aspects.flatMap((aspect) => BY_ASPECT[aspect])]
    dispatch(api.util.invalidateTags(tags as never))
  }
  if (channel) channel.onmessage = ({ data }: MessageEvent<News>) => heed(data)
  const all = (news: News) => {
    heed(news)
    channel?.postMessage(news)
  }
  const hold = () => {
    let lost = false
    const listen = () => {
      const source = new EventSource('/api/news/events')
      source.onopen = () => {
        // Nobody knows what was written while the line was away.
        if (lost) all({ by: null, aspects: ['catalogue', 'drawer', 'market'], replaced: false })
        lost = false
      }
      source.onmessage = ({ data }: MessageEvent<string>) => all(JSON.parse(data) as News)
      source.onerror = () => {
        lost = true
        if (source.readyState === EventSource.CLOSED) setTimeout(listen, AGAIN)
      }
    }
    listen()
  }
  // Where the line is not encrypted there are no locks, and every window has its own.
  if (navigator.locks && channel) void navigator.locks.request(CHANNEL, () => new Promise<never>(hold))
  else hold()
}

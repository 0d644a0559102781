import { expect, test as base, type BrowserContext, type Download, type Locator, type Page } from '@playwright/test'
import { fork } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { startBuilt, stop } from './world.ts'

export interface Server {
  url: string
  /** End it at once, as a power cut would. */
  kill(): Promise<void>
  /** Start it again on the same port and folder. */
  restart(): Promise<void>
  get<T>(path: string): Promise<T>
}

/** A folder of its own, with a copy of the loaded world or with nothing. */
function freshFolder(empty: boolean): string {
  const data = mkdtempSync(join(tmpdir(), 'outfit-e2e-'))
  if (!empty) cpSync(process.env['OUTFIT_WORLD']!, data, { recursive: true })
  return data
}

interface Host {
  open(data: string, empty: boolean): Promise<string>
  close(data: string): Promise<void>
  /** A number that is another one after anything was written. */
  version(data: string): Promise<number>
  /** The demo of all journeys that only read, on a copy of the world; with nothing in it, where asked for. */
  reading(empty: boolean): Promise<{ url: string; data: string }>
  end(): Promise<void>
}

/** A process for the demos of one worker (`host.mjs`). */
function startHost(): Host {
  const child = fork(fileURLToPath(new URL('host.mjs', import.meta.url)))
  const waiting = new Map<number, { resolve: (result: unknown) => void; reject: (error: Error) => void }>()
  let asked = 0
  child.on('message', ({ id, result, error }: { id: number; result?: unknown; error?: string }) => {
    const { resolve, reject } = waiting.get(id)!
    waiting.delete(id)
    if (error === undefined) resolve(result)
    else reject(new Error(error))
  })
  child.once('exit', (code) => {
    for (const { reject } of waiting.values()) reject(new Error(`The host of the demos ended with ${code}.`))
  })
  const ask = (act: 'open' | 'close' | 'version', data: string, empty = false) =>
    new Promise<unknown>((resolve, reject) => {
      waiting.set(++asked, { resolve, reject })
      child.send({ id: asked, act, data, empty })
    })
  const open = (data: string, empty: boolean) => ask('open', data, empty) as Promise<string>
  const shared = new Map<boolean, Promise<{ url: string; data: string }>>()
  return {
    open,
    close: (data) => ask('close', data) as Promise<void>,
    version: (data) => ask('version', data) as Promise<number>,
    reading: (empty) => {
      if (!shared.has(empty)) {
        const data = freshFolder(empty)
        shared.set(
          empty,
          open(data, empty).then((url) => ({ url, data })),
        )
      }
      return shared.get(empty)!
    },
    end: async () => {
      await stop(child)
      for (const { data } of await Promise.all(shared.values())) rmSync(data, { recursive: true, force: true })
    },
  }
}

/** The tag of journeys that end their server: it is a process of its own then. */
export const KILLS = { tag: '@kills' }

/** The tag of journeys that begin with nothing. */
export const EMPTY = { tag: '@empty' }

/** Whether the long form runs. */
export const IS_LONG = process.env['OUTFIT_LONG'] === '1'

/** The tag of journeys that prove again, in another room, what one of every run proves: they are of the long form (`npm run test:long`). */
export const LONG = { tag: '@long' }

/** The tag of journeys that write nothing: they share one server, which has the world loaded and worked out already. */
export const READS = { tag: '@reads' }

/**
 * `server` is a running demo of the test's own, on a copy of the world; `app` is a page that will be opened on it: a journey begins
 * in the room it is about, since the first screen draws every figure there is.
 */
export const test = base.extend<{ server: Server; app: Page }, { host: Host }>({
  host: [
    async ({}, use) => {
      const host = startHost()
      await use(host)
      await host.end()
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  server: async ({ host }, use, { tags }) => {
    const empty = tags.includes(EMPTY.tag)
    const get =
      (url: string) =>
      async <T>(path: string) =>
        (await fetch(`${url}/api/${path}`)).json() as Promise<T>
    if (tags.includes(READS.tag)) {
      const { url, data } = await host.reading(empty)
      const before = await host.version(data)
      const none = () => Promise.reject(new Error('This journey shares its server with others.'))
      await use({ url, kill: none, restart: none, get: get(url) })
      expect(await host.version(data), `a journey that writes has no tag ${READS.tag}`).toBe(before)
      return
    }
    const data = freshFolder(empty)
    const own = tags.includes(KILLS.tag) ? await startBuilt(data) : null
    const url = own?.url ?? (await host.open(data, empty))
    let child = own?.child
    const end = async (signal?: NodeJS.Signals) => {
      if (!child) throw new Error(`This journey shares the process of its server; give it the tag ${KILLS.tag}.`)
      await stop(child, signal)
    }
    await use({
      url,
      kill: () => end('SIGKILL'),
      restart: async () => {
        ;({ child } = await startBuilt(data, { port: Number(new URL(url).port) }))
      },
      get: get(url),
    })
    await (own ? end() : host.close(data))
    rmSync(data, { recursive: true, force: true })
  },
  baseURL: ({ server }, use) => use(server.url),
  // What a browser keeps for itself it tells its server, and a journey that only reads has told nobody anything.
  context: async ({ context }, use, { tags }) => {
    if (tags.includes(READS.tag)) await untold(context)
    await use(context)
  },
  // The page ends before its server: what it still asks for finds it there.
  app: async ({ page }, use) => {
    const complaints: string[] = []
    page.on('pageerror', (error) => complaints.push(error.message))
    await use(page)
    expect(complaints).toEqual([])
  },
})

export { expect }

/** Have a browser tell nobody what it keeps for itself. */
export async function untold(context: BrowserContext): Promise<void> {
  await context.route('**/api/browsers/**', (route) => route.abort())
}

/** Have a page hear nothing of what is written elsewhere, as one whose line was cut. Before it is opened. */
export async function unheard(page: Page): Promise<void> {
  await page.route('**/api/news/events', (route) => route.abort())
  await page.addInitScript(() => Reflect.deleteProperty(window, 'BroadcastChannel'))
}

/** What the tray offers. */
export const candidates = (page: Page) => page.getByRole('listbox', { name: 'Candidates' }).getByRole('option')

/** The address of the first roster or outfit of the world whose name begins so. */
export function addressOf(name: string): string {
  const addresses = Object.entries(JSON.parse(process.env['OUTFIT_ADDRESSES']!) as Record<string, string>)
  const found = addresses.find(([one]) => one.startsWith(name))
  if (!found) throw new Error(`Nothing of the world is called ${name}.`)
  return found[1]
}

/** Go to a room: loaded where nothing is open yet, turned to where the application is, as the way back in the browser turns. */
export async function go(page: Page, path: string): Promise<void> {
  if (!page.url().startsWith('http')) return void (await page.goto(path))
  await page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate'))
  }, path)
}

/** Open an outfit on the bench: from its shelf where that is open, by its address otherwise. */
export async function openOutfit(page: Page, name: string): Promise<void> {
  if (/^https?:\/\/[^/]+\/($|rosters\/)/.test(page.url())) {
    await page.getByRole('link', { name: new RegExp(`· ${name}`) }).click()
  } else {
    await go(page, `${addressOf(name)}/bench`)
  }
  await expect(page.getByRole('region', { name: 'Mannequin' })).toBeVisible()
  await expect(candidates(page).first()).toBeVisible()
}

export const bench = (page: Page) => ({
  spine: page.getByRole('navigation', { name: 'Slots' }),
  row: (label: string) =>
    page.getByRole('navigation', { name: 'Slots' }).getByRole('button', { name: new RegExp(`^${label}(?![a-z])`) }),
  figure: page.getByRole('region', { name: 'Mannequin' }).getByRole('img', { name: /, (front|back)$/ }),
  tray: page.getByRole('region', { name: 'Tray' }),
  candidate: (name: string | RegExp) =>
    page.getByRole('listbox', { name: 'Candidates' }).getByRole('option', { name }).first(),
  find: page.getByRole('searchbox', { name: 'Find in the tray' }),
  cost: page.getByRole('region', { name: 'Cost' }),
  saved: page.getByRole('status').filter({ hasText: 'all saved' }),
})

/** Pick a row of the spine and wear the first candidate that the words find. */
export async function wear(page: Page, row: string, words: string, mode?: string): Promise<void> {
  const { row: rowOf, tray, find, candidate } = bench(page)
  await rowOf(row).click()
  if (mode) await tray.getByRole('button', { name: mode, exact: true }).click()
  await find.fill(words)
  const [first = ''] = words.split(' ')
  await candidate(new RegExp(first, 'i')).click()
  await expect(candidate(/, worn/)).toBeVisible()
  await find.fill('')
}

/** A short stand-in for what a drawing looks like: equal drawings have equal ones. */
export const look = (drawing: Locator) =>
  drawing.evaluate((element) => {
    let hash = 7
    for (const char of element.innerHTML) hash = (hash * 31 + char.charCodeAt(0)) | 0
    return hash
  })

/** The bytes of a download. */
export async function bytesOf(download: Download): Promise<Buffer> {
  return readFileSync(await download.path())
}

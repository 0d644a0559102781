import { expect, test as base, type Download, type Locator, type Page } from '@playwright/test'
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startBuilt, stop } from './world.ts'

export interface Server {
  url: string
  /** End it at once, as a power cut would. */
  kill(): Promise<void>
  /** Start it again on the same port and folder. */
  restart(): Promise<void>
  get<T>(path: string): Promise<T>
}

/** A demo on a fresh copy of the loaded world. */
async function begin() {
  const data = mkdtempSync(join(tmpdir(), 'outfit-e2e-'))
  cpSync(process.env['OUTFIT_WORLD']!, data, { recursive: true })
  return { data, ...(await startBuilt(data)) }
}

async function end({ data, child }: Pick<Awaited<ReturnType<typeof begin>>, 'data' | 'child'>) {
  await stop(child)
  rmSync(data, { recursive: true, force: true })
}

/**
 * `server` is a running demo of the test's own; `app` is the page opened on it. Starting one takes longer than most
 * journeys, so `demos` starts the next while a test runs.
 */
export const test = base.extend<{ server: Server; app: Page }, { demos: { next(): ReturnType<typeof begin> } }>({
  demos: [
    async ({}, use) => {
      let spare = begin()
      await use({
        next: () => {
          const now = spare
          spare = now.then(begin)
          return now
        },
      })
      await end(await spare)
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  server: async ({ demos }, use) => {
    const demo = await demos.next()
    const { data, url } = demo
    let { child } = demo
    const port = Number(new URL(url).port)
    await use({
      url,
      kill: () => stop(child, 'SIGKILL'),
      restart: async () => {
        ;({ child } = await startBuilt(data, { port }))
      },
      get: async <T>(path: string) => (await fetch(`${url}/api/${path}`)).json() as Promise<T>,
    })
    await end({ data, child })
  },
  app: async ({ page, server }, use) => {
    const complaints: string[] = []
    page.on('pageerror', (error) => complaints.push(error.message))
    await page.goto(server.url)
    await use(page)
    expect(complaints).toEqual([])
  },
})

export { expect }

/** What the tray offers. */
export const candidates = (page: Page) => page.getByRole('listbox', { name: 'Candidates' }).getByRole('option')

/** Open an outfit on the bench from its shelf. */
export async function openOutfit(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: new RegExp(`· ${name}`) }).click()
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

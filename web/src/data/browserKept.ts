import { adopted, goesAlong, KEPT_PREFIX, newsOf, sumOf, type BrowserKept, type KeptAnswer } from '@outfit/core/browsers'
import { newName } from './newName.ts'

/** Who this browser is, and which workspace it was told of last. */
const BROWSER = 'outfit.browser'
const WORKSPACE = 'outfit.workspace'
/** Milliseconds between two looks whether anything is to be told. */
const EVERY = 3_000
/** Characters told at a time; a body of the server holds a million bytes. */
const AT_A_TIME = 200_000

/** The workspace that was told last, and the sum of each text it was told. */
interface Told {
  workspace: string
  sums: Record<string, string>
}

function told(): Told | null {
  try {
    const kept = JSON.parse(localStorage.getItem(WORKSPACE) ?? 'null') as Told | null
    return typeof kept?.workspace === 'string' ? kept : null
  } catch {
    return null
  }
}

function all(): BrowserKept {
  const names = Object.keys(localStorage).filter((name) => name.startsWith(KEPT_PREFIX))
  return Object.fromEntries(names.map((name) => [name, localStorage.getItem(name) ?? '']))
}

function browser(): string {
  const name = localStorage.getItem(BROWSER) ?? newName()
  localStorage.setItem(BROWSER, name)
  return name
}

const address = () => `/api/browsers/${browser()}/kept`

/** What is told to the server, in heaps it takes. */
function heapsOf(set: Record<string, string>, gone: readonly string[]) {
  const heaps: { set: Record<string, string>; gone: string[] }[] = [{ set: {}, gone: [...gone] }]
  let size = 0
  for (const [name, text] of Object.entries(set)) {
    if (size > 0 && size + text.length > AT_A_TIME) {
      heaps.push({ set: {}, gone: [] })
      size = 0
    }
    heaps.at(-1)!.set[name] = text
    size += text.length
  }
  return heaps
}

let telling: Promise<void> = Promise.resolve()

/** Tell the server what this browser keeps otherwise than before; once it is told, copies have it. */
export function tellKept(): Promise<void> {
  telling = telling.then(tellNow).catch(() => {
    // The server is away: it is told with the next look.
  })
  return telling
}

async function tellNow(): Promise<void> {
  const before = told()
  if (!before) return
  const { set, gone } = newsOf(all(), before.sums)
  if (Object.keys(set).length === 0 && gone.length === 0) return
  for (const heap of heapsOf(set, gone)) {
    const body = JSON.stringify({ ...heap, workspace: before.workspace })
    const headers = { 'Content-Type': 'application/json' }
    const { ok } = await fetch(address(), { method: 'PUT', headers, body })
    // What a server does not take stays in this browser.
    if (!ok) return
    const now = told()
    if (now?.workspace !== before.workspace) return
    for (const name of heap.gone) delete now.sums[name]
    for (const [name, text] of Object.entries(heap.set)) now.sums[name] = sumOf(text)
    localStorage.setItem(WORKSPACE, JSON.stringify(now))
  }
}

/**
 * Before anything is shown: in a workspace that is another than this browser knew (a copy was brought back, or another folder
 * is open at this address), have what that workspace kept of it. From then on tell it what changes.
 */
export async function keepWithWorkspace(): Promise<void> {
  try {
    const answer = await fetch(address())
    if (!answer.ok) return
    const { workspace, kept } = (await answer.json()) as KeptAnswer
    const before = told()
    if (before?.workspace !== workspace) {
      const has = all()
      // Who was never told of any workspace keeps all it has.
      const then = adopted(has, before?.sums ?? {}, kept ?? {})
      for (const name of Object.keys(has)) if (goesAlong(name) && !(name in then)) localStorage.removeItem(name)
      for (const [name, text] of Object.entries(then)) if (has[name] !== text) localStorage.setItem(name, text)
      const sums = Object.fromEntries(Object.entries(kept ?? {}).map(([name, text]) => [name, sumOf(text)]))
      localStorage.setItem(WORKSPACE, JSON.stringify({ workspace, sums } satisfies Told))
    }
    setInterval(() => void tellKept(), EVERY)
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && void tellKept())
  } catch {
    // No server, or a browser that keeps nothing: views say so themselves.
  }
}

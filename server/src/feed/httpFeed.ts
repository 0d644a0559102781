import { FeedFault, MarketFeed, type FeedPage } from './marketFeed.ts'

/** The longest answer taken: a list in pages has no larger ones. */
const MOST_BYTES = 32 * 1024 * 1024

/**
 * A market asked over HTTP by the words of docs/formats.md: `GET /sellers` names sellers, `GET /sheets/CODE` gives a list as
 * CSV, its next page by a `Link` header.
 */
export class HttpFeed extends MarketFeed {
  constructor(
    readonly name: string,
    /** Its address; asked for each time, since a market that ships with us is given its port when it starts. */
    private readonly base: () => Promise<string>,
  ) {
    super()
  }

  async sellers(signal: AbortSignal): Promise<string[]> {
    const { text } = await this.ask('/sellers', signal)
    try {
      const { sellers } = JSON.parse(text) as { sellers: unknown }
      if (Array.isArray(sellers) && sellers.every((code) => typeof code === 'string')) return sellers as string[]
    } catch {
      // Told below.
    }
    throw new FeedFault('its list of sellers could not be read', true)
  }

  async page(seller: string, cursor: string | null, signal: AbortSignal): Promise<FeedPage> {
    const { text, link } = await this.ask(cursor ?? `/sheets/${encodeURIComponent(seller)}`, signal)
    // A cursor is a path of the same service; another address is not followed.
    const [, next = null] = /<(\/[^/>][^>]*)>;\s*rel="next"/.exec(link) ?? []
    return { csv: text, next }
  }

  private async ask(path: string, signal: AbortSignal): Promise<{ text: string; link: string }> {
    let response: Response
    try {
      response = await fetch(`${await this.base()}${path}`, { signal, redirect: 'error' })
      if (response.ok) {
        return { text: await textOf(response), link: response.headers.get('link') ?? '' }
      }
    } catch (error) {
      if (error instanceof FeedFault) throw error
      if (signal.aborted) throw new FeedFault('it did not answer in time', true)
      throw new FeedFault('the connection broke off', true)
    }
    const wait = Number(response.headers.get('retry-after'))
    throw new FeedFault(
      response.status === 404 ? 'it has no such list' : `it answered ${response.status}`,
      response.status === 429 || response.status >= 500,
      Number.isFinite(wait) && wait > 0 ? wait * 1000 : null,
    )
  }
}

/** The body as text, given up as soon as it is too long. */
async function textOf(response: Response): Promise<string> {
  const decoder = new TextDecoder()
  let [text, bytes] = ['', 0]
  for await (const chunk of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length
    if (bytes > MOST_BYTES) throw new FeedFault('its answer is too long', false)
    text += decoder.decode(chunk, { stream: true })
  }
  return text + decoder.decode()
}

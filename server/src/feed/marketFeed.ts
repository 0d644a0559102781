/** A page of a seller's list: a table of offers as CSV, and the cursor of the next one. */
export interface FeedPage {
  csv: string
  /** null: this is the last. */
  next: string | null
}

/** Why a page did not come; `waitMs` is how long the service asks to be left alone. */
export class FeedFault extends Error {
  constructor(
    message: string,
    /** Whether asking again may help. */
    readonly passing: boolean,
    readonly waitMs: number | null = null,
  ) {
    super(message)
  }
}

/** Where quote sheets can be asked for: the port behind which a market stands, made up or real. */
export abstract class MarketFeed {
  /** What it is called; null where none is connected. */
  abstract readonly name: string | null
  /** Codes of the sellers it has lists of. Throws FeedFault. */
  abstract sellers(signal: AbortSignal): Promise<string[]>
  /** A page of today's list of a seller; the first without a cursor. Throws FeedFault. */
  abstract page(seller: string, cursor: string | null, signal: AbortSignal): Promise<FeedPage>
}

/** No market is connected. */
export class NoFeed extends MarketFeed {
  readonly name = null
  sellers(): Promise<string[]> {
    return Promise.reject(new FeedFault('No market is connected.', false))
  }
  page(): Promise<FeedPage> {
    return this.sellers() as Promise<never>
  }
}

/** What the pieces of Request are that RTK Query uses; jsdom has none. It is asked for when the interface's data is loaded, so it comes first. */
export class Asked {
  headers = new Map<string, string>()
  readonly method: string
  readonly body: string | undefined
  constructor(
    readonly url: string,
    { method = 'GET', body }: { method?: string; body?: string } = {},
  ) {
    this.method = method
    this.body = body
  }
  clone(): this {
    return this
  }
}

// A router makes one when it is loaded, and encodes nothing here.
Object.assign(globalThis, { TextEncoder: class {} })
Object.assign(globalThis, { Request: Asked, fetch: () => new Promise(() => {}) })

/** Tries that failed are counted for so long, in milliseconds. */
const WINDOW = 5 * 60_000
/** Failed tries of one address, and of all together, after which nobody is asked any more. */
const MOST = { one: 5, all: 40 }
/** Tries looked at at a time: each costs memory and a quarter of a second. */
const AT_ONCE = 2

/** Slows down who tries passphrases: after a few that failed, an address waits; after many, everybody does. */
export class Throttle {
  private failed: { address: string; at: number }[] = []
  private trying = 0

  constructor(private readonly now: () => number = Date.now) {}

  /** Seconds an address has to wait before it may try; 0 for none. */
  wait(address: string): number {
    const now = this.now()
    this.failed = this.failed.filter(({ at }) => now - at < WINDOW)
    const own = this.failed.filter((one) => one.address === address)
    const over = own.length >= MOST.one ? own : this.failed.length >= MOST.all ? this.failed : null
    if (over) return Math.ceil((over[0]!.at + WINDOW - now) / 1000)
    return this.trying >= AT_ONCE ? 1 : 0
  }

  /** Look whether a try is right; one that is not counts against its address. */
  async tried(address: string, isRight: () => Promise<boolean>): Promise<boolean> {
    this.trying++
    // It counts from the beginning, so that tries at the same time are no way round.
    const one = { address, at: this.now() }
    this.failed.push(one)
    try {
      const right = await isRight()
      if (right) this.failed = this.failed.filter((other) => other.address !== address)
      return right
    } finally {
      this.trying--
    }
  }
}

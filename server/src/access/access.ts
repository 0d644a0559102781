import { createHash, randomBytes } from 'node:crypto'
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { LetIn } from '@outfit/core/access'
import { isPassphrase, keptPassphrase, type KeptPassphrase } from './passphrase.ts'
import { Throttle } from './throttle.ts'

/**
 * In the data folder, and in no archive: whoever is handed a copy must not be able to try its passphrase, and a copy brought
 * back elsewhere must not open that machine to its network.
 */
const FILE = 'outfit.access'

const DAY = 86_400_000
/** A device that asked for nothing for so long is let in anew, and every device after so long, in milliseconds. */
const IDLE = 30 * DAY
const LONGEST = 180 * DAY
/** That a device was seen is written down this often. */
const SEEN = 10 * 60_000
const MOST_DEVICES = 50

interface Kept {
  passphrase: KeptPassphrase | null
  /** The port to open to the network when the program begins; null for none. */
  port: number | null
  devices: { id: string; token: string; device: string; since: string; seen: string }[]
}

const sumOf = (token: string) => createHash('sha256').update(token).digest('base64url')

/** Who may come in from other devices: the passphrase, and the devices that said it. */
export class Access {
  readonly throttle: Throttle
  private kept: Kept

  constructor(
    private readonly folder: string,
    private readonly now: () => number = Date.now,
  ) {
    this.throttle = new Throttle(now)
    this.kept = this.read()
  }

  private read(): Kept {
    const none: Kept = { passphrase: null, port: null, devices: [] }
    const file = join(this.folder, FILE)
    if (!existsSync(file)) return none
    try {
      return { ...none, ...(JSON.parse(readFileSync(file, 'utf8')) as Kept) }
    } catch {
      // Spoilt: nobody comes in until a passphrase is said anew.
      return none
    }
  }

  private write(): void {
    const file = join(this.folder, FILE)
    writeFileSync(`${file}.part`, JSON.stringify(this.kept), { mode: 0o600 })
    renameSync(`${file}.part`, file)
  }

  get hasPassphrase(): boolean {
    return this.kept.passphrase !== null
  }

  /** The port that is to be open to the network; null for none. */
  get port(): number | null {
    return this.kept.port
  }

  keepPort(port: number | null): void {
    this.kept.port = port
    this.write()
  }

  /** Another passphrase: whoever came in by the one before has to say it. */
  async setPassphrase(passphrase: string): Promise<void> {
    this.kept = { ...this.kept, passphrase: await keptPassphrase(passphrase), devices: [] }
    this.write()
  }

  /** Let a device in that says the passphrase; its token, which nobody was told before; null where it is another. */
  async enter(address: string, passphrase: string, device: string, before: string | null): Promise<string | null> {
    const { passphrase: kept } = this.kept
    if (!kept || !(await this.throttle.tried(address, () => isPassphrase(passphrase, kept)))) return null
    // The passphrase may have been changed meanwhile.
    if (this.kept.passphrase !== kept) return null
    if (before !== null) this.forget(before)
    const token = randomBytes(32).toString('base64url')
    const at = new Date(this.now()).toISOString()
    const one = { id: randomBytes(9).toString('base64url'), token: sumOf(token), device, since: at, seen: at }
    this.kept.devices = [one, ...this.living()].slice(0, MOST_DEVICES)
    this.write()
    return token
  }

  /** Whether a token is of a device that was let in and not put out since. */
  knows(token: string | null): boolean {
    const one = token === null ? undefined : this.living().find((other) => other.token === sumOf(token))
    if (!one) return false
    if (this.now() - Date.parse(one.seen) > SEEN) {
      one.seen = new Date(this.now()).toISOString()
      this.write()
    }
    return true
  }

  private living() {
    const now = this.now()
    return this.kept.devices.filter(
      ({ since, seen }) => now - Date.parse(seen) < IDLE && now - Date.parse(since) < LONGEST,
    )
  }

  devices(token: string | null): LetIn[] {
    const own = token === null ? null : sumOf(token)
    return this.living().map((one) => ({
      ...{ id: one.id, device: one.device, since: one.since, seen: one.seen },
      own: one.token === own,
    }))
  }

  /** A device leaves by itself. */
  forget(token: string): void {
    const sum = sumOf(token)
    this.kept.devices = this.kept.devices.filter((one) => one.token !== sum)
    this.write()
  }

  /** Put a device out; whether there was one. */
  putOut(id: string): boolean {
    const there = this.kept.devices.some((one) => one.id === id)
    this.kept.devices = this.kept.devices.filter((one) => one.id !== id)
    if (there) this.write()
    return there
  }
}

/** The shortest and longest passphrase taken, in characters. */
export const PASSPHRASE = { least: 12, most: 200 } as const

/** What anybody is told who asks: whether it is this machine, and whether the door is open to them. */
export interface AccessState {
  /** Asked from the machine Outfit runs on. */
  here: boolean
  /** May use the workspace. */
  entered: boolean
}

/** A device that was let in. */
export interface LetIn {
  id: string
  /** "a phone", "a computer". */
  device: string
  /** When it was let in, and when it asked for something last, ISO. */
  since: string
  seen: string
  /** The one that asks. */
  own: boolean
}

/** Whether other devices may come in, and by which way. */
export interface NetworkState {
  here: boolean
  hasPassphrase: boolean
  /** The port that is open to the network; null while it is closed. */
  port: number | null
  /** Whether the line is encrypted. */
  secure: boolean
  /** Addresses to type on another device, the likeliest first. */
  addresses: string[]
  /** Names a browser may call this machine by; under any other it is refused. */
  hosts: string[]
  devices: LetIn[]
}

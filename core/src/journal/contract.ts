import type { Device } from './deviceOf.ts'

/** Something that was done, as it is told. */
export interface Done {
  id: string
  /** When it was done last, ISO 8601. */
  at: string
  device: Device
  /** Whether it was done in the window that asks. */
  own: boolean
  words: string
  /** Entries of the journal it took back, and that took it back. */
  undoes: string | null
  undone: string | null
  /** Whether what took it back was taken back itself, so that it stands again. */
  again: boolean
  /** Whether it can be taken back from what is written down of it. */
  canTakeBack: boolean
  /** Where it cannot, the archive of everything as it was just before, which can be brought back; null where there is none. */
  copy: string | null
}

/** A page of what was done, the newest first. */
export interface DonePage {
  done: Done[]
  more: boolean
}

/** How far the sample world that stands beside a workspace is. */
export interface SampleWorld {
  /** Whether one can be looked at: its files ship with Outfit, and this is not it. */
  offered: boolean
  state: 'none' | 'starting' | 'open'
  /** Where it is, while it is open. */
  address: string | null
  /** Why it could not be opened; empty where nothing went wrong. */
  problem: string
  /** Whether what was done in it is kept, so that it goes on from there. */
  kept: boolean
  /** Where one's own workspace is, where this is the sample world beside one. */
  back: string | null
}

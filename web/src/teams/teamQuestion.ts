import type { TeamAsk, TeamCasting } from '@outfit/core/teams'

export interface TeamQuestion {
  ask: TeamAsk
  seconds: number
}

export type TeamAnswer =
  | { state: 'running'; worth: number | null; bound: number }
  | { state: 'cast'; result: TeamCasting }
  | { state: 'none'; why: string }

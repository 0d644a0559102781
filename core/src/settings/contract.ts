import type { School } from '../roster/index.ts'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

/** What somebody likes to have throughout a workspace, whatever machine or browser looks at it. */
export interface WorkspaceSettings {
  /** ISO 4217: what prices are compared and added up in. */
  home: string
  look: Theme
  /** Whether letters alone do something, such as `g` and a letter. */
  singleKeys: boolean
  /** Nothing moves, even where the system does not ask for that. */
  lessMotion: boolean
  /** The house rules a new roster begins with. */
  school: School
  /** Own name, for credits and votes; empty for none. */
  maker: string
  /**
   * Whether the catalogue has all there ever was of its moulds. Only then is something said never to have been made: a list of one's own
   * that does not name a colour says nothing of whether it exists.
   */
  wholeCatalogue: boolean
  /** Moulds, by code, of which that is so, while it is not of all. */
  wholeMoulds: string[]
  /** Whether a copy of everything is written each day. */
  dailyCopies: boolean
}

export const USUAL_SETTINGS: WorkspaceSettings = {
  home: 'EUR',
  look: 'system',
  singleKeys: true,
  lessMotion: false,
  school: 'exchange-only',
  maker: '',
  wholeCatalogue: false,
  wholeMoulds: [],
  dailyCopies: true,
}

/** Whether the catalogue has all there ever was of a mould. */
export const isComplete = (
  { wholeCatalogue, wholeMoulds }: Pick<WorkspaceSettings, 'wholeCatalogue' | 'wholeMoulds'>,
  mould: string,
): boolean => wholeCatalogue || wholeMoulds.includes(mould)

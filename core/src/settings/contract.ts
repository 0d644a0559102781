import { USUAL_FORMS, type Length, type Locale } from '../base/index.ts'
import type { Level } from '../catalogue/index.ts'
import type { LabelSheetName, Paper } from './paper.ts'
import type { School } from '../roster/index.ts'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

/** How often the market is asked by itself, the most often first. */
export const RHYTHMS = ['never', 'hourly', 'daily', 'weekly'] as const
export type Rhythm = (typeof RHYTHMS)[number]

/** When the market is asked by itself: so often, and never from one time of the day to another (HH:MM, also over midnight). */
export interface MarketRhythm {
  every: Rhythm
  quietFrom: string
  quietTo: string
}

/** What somebody likes to have throughout a workspace, whatever machine or browser looks at it. */
export interface WorkspaceSettings {
  /** ISO 4217: what prices are compared and added up in. */
  home: string
  look: Theme
  /** How numbers and days are written, and what lengths are told in. */
  locale: Locale
  length: Length
  /** Height of the maker's full-size figure with a usual head of hair, in millimetres. */
  fullSize: number
  /** Address of the service that is asked for prices; empty for the one Outfit was started with. */
  marketService: string
  /** When the market is asked by itself. */
  asks: MarketRhythm
  /** Whether letters alone do something, such as `g` and a letter. */
  singleKeys: boolean
  /** Nothing moves, even where the system does not ask for that. */
  lessMotion: boolean
  /** The house rules a new roster begins with. */
  school: School
  /** How far a new roster takes things apart; null for as its house rules have it. */
  takingApart: Level | null
  /** What a point of likeness is worth where a roster is cast, to begin with; home currency, minor units. */
  worth: number
  /** What the printer holds, and the labels of bins. */
  paper: Paper
  labels: LabelSheetName
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
  ...USUAL_FORMS,
  marketService: '',
  asks: { every: 'never', quietFrom: '22:00', quietTo: '07:00' },
  singleKeys: true,
  lessMotion: false,
  school: 'exchange-only',
  takingApart: null,
  worth: 40,
  paper: 'A4',
  labels: 'plain-a4',
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

const HOURS: Readonly<Record<Rhythm, number>> = { never: Infinity, hourly: 1, daily: 24, weekly: 168 }
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))

/**
 * Whether the market is to be asked now: as long ago as the rhythm says, or never yet, and in no quiet hours. Two equal
 * times are no quiet hours. `last` is when it was asked last; times of the day are of the place `now` is told in.
 */
export function asksNow({ every, quietFrom, quietTo }: MarketRhythm, now: Date, last: Date | null): boolean {
  if (every === 'never') return false
  const at = now.getHours() * 60 + now.getMinutes()
  const [from, to] = [minutesOf(quietFrom), minutesOf(quietTo)]
  const quiet = from <= to ? at >= from && at < to : at >= from || at < to
  if (quiet && from !== to) return false
  return last === null || now.getTime() - last.getTime() >= HOURS[every] * 3_600_000
}

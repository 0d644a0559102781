/** What the server tells of the workbench and the screen shows. */
import type { Placement } from '../catalogue/index.ts'
import type { Remark, Source, Stop } from '../drawer/index.ts'
import type { Buildable } from './buildable.ts'
import type { Contested } from '../allotment/index.ts'
import type { Leftover } from './leftovers.ts'
import type { Step } from './steps.ts'

/** A stop on the way with the name of its bin. */
export interface NamedStop extends Stop {
  name: string
  /** The bin it is a tray of, by name. */
  inside: string | null
}

export interface WorkbenchPlan {
  outfit: { id: string; name: string; roster: string; rosterName: string }
  placements: Placement[]
  sources: Source[]
  stops: NamedStop[]
  /** Donors to fetch, by code and name. */
  donors: { code: string; name: string }[]
  steps: Step[]
  /** Parts nothing gives, and none is ordered. */
  lacks: Placement[]
  /** Parts nothing gives so far, which come with a parcel. */
  coming: Placement[]
  built: boolean
  /** Names of outfits that count on parts it takes. */
  others: string[]
  /** What was noted of it at the workbench. */
  remarks: Remark[]
}

export interface BuildableList {
  outfits: (Buildable & { roster: string; rosterName: string })[]
  donors: { code: string; name: string }[]
}

/** How the drawer is allotted, and where two outfits want the same. */
export interface AllotmentReport {
  terms: { toBuy: number; unoffered: number; price: number; donors: number }
  proven: boolean
  /** What first come, first served would have bought more. */
  spares: { toBuy: number; price: number }
  outfits: {
    id: string
    name: string
    roster: string
    rosterName: string
    worn: number
    given: number
  }[]
  contested: Contested[]
}

export interface LeftoversReport {
  roster: { id: string; name: string } | null
  rows: (Leftover & { binName: string })[]
  worth: number
}

import type { LeafletChoices } from './leafletChoices.ts'

/** Millimetres that words and figures keep from folds and cuts. */
export const SAFE = 4

/** What a panel of a leaflet is for. */
type PanelRole = 'front' | 'back' | 'bonus' | 'figures' | 'index'

/** A panel of a folded sheet, in millimetres from the corner of its side. */
export interface LeafletPanel {
  role: PanelRole
  x: number
  y: number
  width: number
  height: number
  /** Upside down on the sheet, so that it reads upright when folded. */
  turned: boolean
}

/** Both sides of a sheet that is folded: each a list of panels, and where it is folded. */
export interface LeafletSides {
  width: number
  height: number
  sides: LeafletPanel[][]
  /** Upright folds by their distance from the left of the first side, and the level fold, if any. */
  folds: { x: number[]; y: number | null }
}

/** Sheets that are folded to quarters. */
const QUARTERED = { A4: { width: 210, height: 297 }, Letter: { width: 215.9, height: 279.4 } } as const

/** Each panel rolled in is so much narrower than the one round it. */
const ROLLED_IN = 1

/**
 * Where panels of a leaflet lie. A zigzag has its front first and its back last on the outside; a roll has its front at the
 * right of the outside and its back beside it, and gets narrower inwards; a sheet folded to quarters has both in its lower
 * half and the two inner ones upside down above them. Panels in the order they are read. `bonus`: one shows how the bonus
 * is built.
 */
export function leafletSides(choices: LeafletChoices, bonus: boolean): LeafletSides {
  if (choices.fold === 'quarters') return quarters(choices, bonus)
  const { panels: n, width, height } = choices
  const roll = choices.fold === 'roll'
  // From the left of the outside; what is rolled in lies there.
  const widths = Array.from({ length: n }, (_, i) => (roll ? width - ROLLED_IN * Math.max(0, n - 2 - i) : width))
  const xs = widths.map((_, i) => widths.slice(0, i).reduce((sum, one) => sum + one, 0))
  const whole = xs.at(-1)! + widths.at(-1)!
  const outside = widths.map((own, i): LeafletPanel => ({
    role: roll
      ? i === n - 1
        ? 'front'
        : i === n - 2
          ? 'back'
          : 'figures'
      : i === 0
        ? 'front'
        : i === n - 1
          ? 'back'
          : 'figures',
    ...{ x: xs[i]!, y: 0, width: own, height, turned: false },
  }))
  // Turned over from left to right, what lay at the right lies at the left.
  const inside = [...widths].reverse().map((own, i): LeafletPanel => ({
    role: 'figures',
    ...{ x: whole - xs[n - 1 - i]! - own, y: 0, width: own, height, turned: false },
  }))
  // How the bonus is built is read last.
  if (bonus) {
    const last = roll ? outside.find(({ role }) => role === 'figures') : inside.at(-1)
    if (last) last.role = 'bonus'
  }
  return { width: whole, height, sides: [outside, inside], folds: { x: xs.slice(1), y: null } }
}

function quarters({ paper }: LeafletChoices, bonus: boolean): LeafletSides {
  const { width, height } = QUARTERED[paper]
  const [w, h] = [width / 2, height / 2]
  const panel = (role: PanelRole, x: number, y: number, turned: boolean): LeafletPanel => ({
    ...{ role, x, y, width: w, height: h, turned },
  })
  return {
    width,
    height,
    sides: [
      [
        panel('front', w, h, false),
        panel('index', w, 0, true),
        panel(bonus ? 'bonus' : 'index', 0, 0, true),
        panel('back', 0, h, false),
      ],
      [{ role: 'figures', x: 0, y: 0, width, height, turned: false }],
    ],
    folds: { x: [w], y: h },
  }
}

import { mouldOf, type Placement, type Slot } from '../../catalogue/index.ts'
import { atFullSize, USUAL_FULL_SIZE } from '../../base/index.ts'
import { MEASURES } from '../../mannequin/index.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { takeOff } from '../../anatomy/index.ts'
import { bestOf, ofSlot, wearing } from '../instead.ts'
import { pinned, wornIn, type FittingContext, type Rule } from '../pin.ts'

/** Where the mass of each slot sits: sideways from the middle and above the sole, in millimetres on a full-size figure of the usual height. */
const mm = (units: number) => (units * USUAL_FULL_SIZE) / 276
const HIP = MEASURES.leg.full + MEASURES.hips.height
const SHOULDER = HIP + MEASURES.torso.height
const PLACED: Partial<Record<Slot, readonly [x: number, y: number]>> = {
  headgear: [0, mm(SHOULDER + 70)],
  head: [0, mm(SHOULDER + 38)],
  face: [0, mm(SHOULDER + 38)],
  neck: [0, mm(SHOULDER - 30)],
  torso: [0, mm(HIP + 46)],
  armRight: [-mm(44), mm(SHOULDER - 34)],
  armLeft: [mm(44), mm(SHOULDER - 34)],
  handRight: [-mm(52), mm(SHOULDER - 68)],
  handLeft: [mm(52), mm(SHOULDER - 68)],
  waist: [0, mm(HIP)],
  hips: [0, mm(MEASURES.leg.full + 10)],
  legRight: [-mm(23), mm(42)],
  legLeft: [mm(23), mm(42)],
  lower: [0, mm(50)],
  heldRight: [-mm(66), mm(SHOULDER - 40)],
  heldLeft: [mm(66), mm(SHOULDER - 40)],
}

/** Half the width of both feet, and of a stand under them. */
const HALF_FEET = mm(MEASURES.hips.width / 2)
const HALF_STAND = mm(MEASURES.plinth.width / 2)

/** How far a figure can lean sideways, in degrees, and what it holds that pulls it most; null where it holds nothing. */
function leanOf(placements: readonly Placement[], context: FittingContext) {
  const { catalogue } = context
  let mass = 0
  let across = 0
  let up = 0
  let most: { name: string; moment: number; slot: Slot } | null = null
  for (const { slot, part: code } of placements) {
    const part = catalogue.parts.get(code)
    const place = PLACED[slot]
    if (!part || !place) continue
    const own = mouldOf(catalogue, part).mass
    mass += own
    across += own * place[0]
    up += own * place[1]
    if (slot.startsWith('held') && (!most || own * Math.abs(place[0]) > most.moment))
      most = { name: part.name, moment: own * Math.abs(place[0]), slot }
  }
  const [stand] = wornIn(placements, 'feet', context)
  const [below] = wornIn(placements, 'lower', context)
  // A tail stands on less than two feet do; the mould says on how much, in millimetres.
  const footing = Number(below && mouldOf(catalogue, below.part).traits['footing']) / atFullSize(1)
  const half = stand ? HALF_STAND : footing > 0 ? footing / 2 : HALF_FEET
  const rise = stand ? mouldOf(catalogue, stand.part).height / atFullSize(1) : 0
  const stands = placements.some(({ slot }) => slot === 'legRight' || slot === 'legLeft' || slot === 'lower')
  if (mass === 0 || !stands || most === null) return null
  const angle = (Math.atan2(half - Math.abs(across / mass), up / mass + rise) * 180) / Math.PI
  return { angle, most, onStand: stand !== undefined }
}

/**
 * It stands or tips: the angle the figure can lean sideways before its centre of mass is beyond its feet, from the masses
 * of its parts and where they sit on our doll. Rigid parts on a level ground; held things act at the mitt. The real figure
 * may be a little better or worse, so only a small angle is pinned. Remedies are a stand and an empty hand, where they do.
 */
export const standsUp: Rule = (placements, context) => {
  const lean = leanOf(placements, context)
  if (!lean || lean.angle >= FITTING_LIMITS.tippingAngle) return []
  const { angle, most, onStand } = lean
  const { slot, name } = most
  return [
    pinned(
      {
        rule: 'stands-up',
        severity: 'notice',
        slots: [slot],
        title: angle <= 0 ? 'It tips over' : 'It tips easily',
        detail: `${name} pulls it aside: ${Math.max(0, angle).toFixed(1)}° to tipping, ${FITTING_LIMITS.tippingAngle}° are safe`,
      },
      () => {
        const { catalogue } = context
        const stands = onStand
          ? []
          : bestOf(ofSlot('feet', context), context, (part) => mouldOf(catalogue, part).height)
        return [
          ...stands
            .slice(0, 1)
            .map((part) =>
              wearing(placements, 'feet', part, context, { words: `Stand it on ${part.name.toLowerCase()}` }),
            ),
          { label: `Take ${name.toLowerCase()} away`, placements: takeOff(placements, slot) },
        ].filter((remedy) => (leanOf(remedy.placements, context)?.angle ?? 90) >= FITTING_LIMITS.tippingAngle)
      },
    ),
  ]
}

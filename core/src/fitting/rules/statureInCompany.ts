import { atFullSize, formatLength } from '../../base/index.ts'
import { STATURES } from '../../brief/index.ts'
import type { Person } from '../../roster/index.ts'
import { legsOfLength, statureWorn, type StatureWorn } from '../stature.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { pinned, type Rule } from '../pin.ts'

/** What is wrong with how somebody stands beside another; null where nothing is. */
function wrongBeside(own: Person, ownHeight: number, other: Person, otherHeight: number): string | null {
  const apart = ownHeight - otherHeight
  const seen = Math.abs(apart) >= atFullSize(FITTING_LIMITS.heightSeen)
  const words = () => `${formatLength(Math.abs(apart), 1)} ${apart < 0 ? 'lower' : 'higher'} than ${other.name}`
  if (own.years !== null && other.years !== null) {
    const older = own.years - other.years
    if (Math.abs(older) <= 1 && Math.min(own.years, other.years) < 18 && seen) return `${words()}, of the same age`
    if (Math.abs(older) >= FITTING_LIMITS.yearsTaller && seen && older * apart < 0)
      return `${words()}, ${Math.abs(older)} years ${older > 0 ? 'younger' : 'older'}`
  }
  const taller = STATURES.indexOf(own.stature) - STATURES.indexOf(other.stature)
  if (taller === 0) return seen ? `${words()}, of the same stature` : null
  if (taller * apart > 0 && seen) return null
  return `${seen ? words() : `as tall as ${other.name}`}, who is to stand ${taller > 0 ? 'lower' : 'higher'}`
}

/**
 * Whoever is older or meant to be taller stands taller, and those of one age stand alike, within a roster. Heights are
 * from the ground to the hips, plates included; what the eye does not see (FITTING_LIMITS.heightSeen) does not count. A
 * figure that does not stand as its own brief says is left to that pin.
 */
export const statureInCompany: Rule = (placements, context) => {
  const { company, catalogue } = context
  const own = statureWorn(placements, catalogue)
  if (!company || !own || own.stature !== company.self.stature) return []
  const wrong: { words: string; worn: StatureWorn }[] = []
  for (const other of company.others) {
    const worn = statureWorn(other.placements, catalogue)
    // Who stands otherwise than meant is wrong himself.
    if (!worn || worn.stature !== other.stature) continue
    const words = wrongBeside(company.self, own.millimetres, other, worn.millimetres)
    if (words) wrong.push({ words, worn })
  }
  const [first] = wrong
  if (!first) return []
  return [
    pinned(
      {
        rule: 'stature-in-company',
        severity: 'notice',
        slots: [own.slot],
        title: 'Out of line with the others',
        detail: `Hips ${first.words}${wrong.length > 1 ? `, and ${wrong.length - 1} more like it` : ''}`,
      },
      () => (first.worn.length === own.length ? [] : legsOfLength(placements, first.worn.length, context)),
    ),
  ]
}

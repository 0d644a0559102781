import { breathing } from '../base/breathe.ts'
import type { FieldFault } from '../base/problem.ts'
import { checked, invalid } from '../base/validation.ts'
import { CharacterImport, RosterImport, RostersFile } from './dto.ts'

/** After so many faults no more are looked for. */
const ENOUGH = 50

/**
 * Read a rosters file, refusing it with its faults by field. A file has thousands of placements, so it is checked character
 * by character with breaths between.
 */
export async function readRosters(value: unknown): Promise<RostersFile> {
  const breath = breathing()
  const faults: FieldFault[] = []
  /** Check a piece without its list of others, which follow one by one. */
  const piece = <T extends object>(
    shape: Parameters<typeof checked<T>>[0],
    given: unknown,
    path: string,
    list: string,
  ) => {
    const entries = (given as Record<string, unknown> | null)?.[list]
    const shell = Array.isArray(entries) ? { ...(given as object), [list]: [] } : given
    const { instance, faults: own } = checked(shape, shell, path)
    faults.push(...own)
    return { instance, entries: Array.isArray(entries) ? (entries as unknown[]) : [] }
  }
  const file = piece(RostersFile, value, '', 'rosters')
  for (const [r, given] of file.entries.entries()) {
    const path = `rosters[${r}]`
    const roster = piece(RosterImport, given, path, 'characters')
    for (const [c, character] of roster.entries.entries()) {
      const { instance, faults: own } = checked(CharacterImport, character, `${path}.characters[${c}]`)
      faults.push(...own)
      roster.instance.characters.push(instance)
      if (faults.length > ENOUGH) throw invalid(faults)
      await breath()
    }
    file.instance.rosters.push(roster.instance)
    if (faults.length > ENOUGH) throw invalid(faults)
    await breath()
  }
  if (faults.length > 0) throw invalid(faults)
  return file.instance
}

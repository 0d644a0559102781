import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { ARCHIVE_REASONS, type ArchiveReason, type KeptArchive } from '@outfit/core/archive'

/** Where the archives of a data folder lie. */
export const copiesIn = (data: string): string => join(data, 'copies')

/** Archives of a folder, the newest first. */
export function keptIn(folder: string): KeptArchive[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .flatMap((name) => {
      const found = partsOf(name)
      return found ? [{ name, ...found }] : []
    })
    .sort((a, b) => (a.at === b.at ? b.nth - a.nth : a.at < b.at ? 1 : -1))
    .map(({ name, at, reason }) => ({ name, at, reason, bytes: statSync(join(folder, name)).size }))
}

/** A name for an archive written now that none has yet; of those of one second the later has the higher number. */
export function newName(folder: string, reason: ArchiveReason, now = new Date()): string {
  const at = now.toISOString().replace(/\.\d+/, '')
  const others = existsSync(folder) ? readdirSync(folder).flatMap((name) => partsOf(name) ?? []) : []
  const nth = 1 + Math.max(0, ...others.filter((other) => other.at === at).map((other) => other.nth))
  return `outfit-${at.replaceAll(':', '')}${nth > 1 ? `-${nth}` : ''}-${reason}.zip`
}

/** When and why an archive was written, by its name; null for what is none. */
export function readName(name: string): { at: string; reason: ArchiveReason } | null {
  const found = partsOf(name)
  return found && { at: found.at, reason: found.reason }
}

/** The same, and as which of its second. */
function partsOf(name: string): { at: string; reason: ArchiveReason; nth: number } | null {
  const found = /^outfit-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)Z(?:-(\d+))?-([a-z-]+)\.zip$/.exec(name)
  const reason = ARCHIVE_REASONS.find((one) => one === found?.[6])
  if (!found || !reason) return null
  const [, day, hours, minutes, seconds, nth] = found
  return { at: `${day}T${hours}:${minutes}:${seconds}Z`, reason, nth: Number(nth ?? 1) }
}

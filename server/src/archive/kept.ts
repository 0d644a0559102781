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
      const found = readName(name)
      return found ? [{ name, ...found, bytes: statSync(join(folder, name)).size }] : []
    })
    .sort((a, b) => (a.at === b.at ? (a.name < b.name ? 1 : -1) : a.at < b.at ? 1 : -1))
}

/** A name for an archive written now that none has yet. */
export function newName(folder: string, reason: ArchiveReason): string {
  const stamp = new Date().toISOString().replace(/\.\d+/, '').replaceAll(':', '')
  for (let n = 1; ; n++) {
    const name = `outfit-${stamp}${n > 1 ? `-${n}` : ''}-${reason}.zip`
    if (!existsSync(join(folder, name))) return name
  }
}

/** When and why an archive was written, by its name; null for what is none. */
export function readName(name: string): { at: string; reason: ArchiveReason } | null {
  const found = /^outfit-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)Z(?:-\d+)?-([a-z-]+)\.zip$/.exec(name)
  const reason = ARCHIVE_REASONS.find((one) => one === found?.[5])
  if (!found || !reason) return null
  const [, day, hours, minutes, seconds] = found
  return { at: `${day}T${hours}:${minutes}:${seconds}Z`, reason }
}

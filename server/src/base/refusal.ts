import { codeOf } from './storage.ts'

/** Why the program does not start: one sentence for the person. The command line ends with 2. */
export class StartRefused extends Error {}

/** The sentence for what kept a database from being opened, or read; null where that was something else. */
export function refusalOf(error: unknown, file: string): StartRefused | null {
  if (error instanceof StartRefused) return error
  const code = codeOf(error)
  if (/^SQLITE_(NOTADB|CORRUPT)/.test(code))
    return new StartRefused(
      `${file} is damaged or no database of Outfit. Nothing was changed; move it away or bring back a copy.`,
    )
  if (/^(SQLITE_(READONLY|CANTOPEN|PERM|AUTH|IOERR)|EACCES$|EPERM$|EROFS$|ENOTDIR$|EEXIST$)/.test(code))
    return new StartRefused(
      `${file} cannot be read and written (${code}). Nothing was changed; look at its permissions.`,
    )
  if (code === 'ENOSPC' || code === 'SQLITE_FULL')
    return new StartRefused(`The disk of ${file} is full. Nothing was changed; free some space and start again.`)
  if (/^SQLITE_(BUSY|LOCKED)/.test(code))
    return new StartRefused(
      `${file} is held by another program. Nothing was changed; close that program and start again.`,
    )
  return null
}

/** What a failed write to disk comes to for the person: the status and what happened, what is safe, what to do. */
const DISK_FULL = new Set(['SQLITE_FULL', 'SQLITE_IOERR_SHMSIZE', 'ENOSPC', 'EDQUOT'])
const LOCKED = /^SQLITE_(BUSY|LOCKED)/
const UNWRITABLE = /^(SQLITE_(READONLY|IOERR|CANTOPEN)|EROFS$|EACCES$|EPERM$|EIO$)/
const DAMAGED = /^SQLITE_(CORRUPT|NOTADB)/

/** The code of an error of SQLite or of the file system, also where TypeORM wraps it; empty where there is none. */
export function codeOf(error: unknown): string {
  const { code, driverError } = (error ?? {}) as { code?: unknown; driverError?: { code?: unknown } }
  return String(driverError?.code ?? code ?? '')
}

/** Whether an error says that another program has the database. */
export const isLocked = (error: unknown): boolean => LOCKED.test(codeOf(error))

/** What to tell where a disk or database refused a write; null where an error is of another kind. */
export function storageFault(error: unknown): { status: number; detail: string } | null {
  const code = codeOf(error)
  if (DISK_FULL.has(code))
    return {
      status: 507,
      detail:
        'The disk is full. This was not written; everything written before is safe. Free some space on the disk of the data folder, then save again.',
    }
  if (LOCKED.test(code))
    return {
      status: 503,
      detail: 'Another program holds the database. This was not written; close that program, then save again.',
    }
  if (DAMAGED.test(code))
    return {
      status: 500,
      detail:
        'The database file is damaged. This was not written; stop Outfit and keep a copy of the data folder before anything else.',
    }
  if (UNWRITABLE.test(code))
    return {
      status: 500,
      detail: `The data folder cannot be written (${code}). This was not written; look at its disk and permissions, then save again.`,
    }
  return null
}

import { once } from 'node:events'
import { workerData, type MessagePort } from 'node:worker_threads'
import { openForWriting, type Place } from '../base/connection.ts'
import { collectSheet, type Sheet, type SheetRead } from './sheet.ts'

/** Why a list could not be written; of an error that is sent to another thread the code is lost. */
export interface Fault {
  message: string
  code: string | undefined
}

const db = openForWriting(workerData as Place)
// What is in the log is put into the database when nobody waits for it.
db.pragma('wal_autocheckpoint = 0')

/**
 * Worker thread entry: read one list and write it, all of it or nothing. It is put in order first; then the port is told, and
 * once that answers nobody else writes until it is told what came of it. Of a list that brings nothing to be written only
 * that is told. Answers a fault, or null.
 */
export default async function sheetWorker({ sheet, port }: { sheet: Sheet; port: MessagePort }): Promise<Fault | null> {
  const tell = (said: 'ready' | SheetRead) => port.postMessage(said)
  try {
    // Temporary tables are this connection's alone, and hold up nobody.
    db.exec('BEGIN')
    const { keep, ...read } = await collectSheet(db, sheet)
    db.exec('COMMIT')
    if (!keep) {
      tell({ ...read, kept: null })
      return null
    }
    tell('ready')
    await once(port, 'message')
    db.exec('BEGIN IMMEDIATE')
    const kept = await keep()
    db.exec('COMMIT')
    tell({ ...read, kept })
    db.pragma('wal_checkpoint(PASSIVE)')
    return null
  } catch (error) {
    if (db.inTransaction) db.exec('ROLLBACK')
    const { message, code } = error as Error & { code?: string }
    return { message, code }
  }
}

import { once } from 'node:events'
import { workerData, type MessagePort } from 'node:worker_threads'
import { openForWriting, type Place } from '../base/connection.ts'
import { collectSheet, type Sheet, type SheetWritten } from './sheet.ts'

/** Why a list could not be written; of an error that is sent to another thread the code is lost. */
export interface Fault {
  message: string
  code: string | undefined
}

const db = openForWriting(workerData as Place)
// What is in the log is put into the database when nobody waits for it.
db.pragma('wal_autocheckpoint = 0')

/**
 * Worker thread entry: write one list, all of it or nothing. It is put in order first; then the port is told, and once that
 * answers nobody else writes until it is told what came of it. Answers a fault, or null.
 */
export default async function sheetWorker({ sheet, port }: { sheet: Sheet; port: MessagePort }): Promise<Fault | null> {
  try {
    // Temporary tables are this connection's alone, and hold up nobody.
    db.exec('BEGIN')
    const keep = await collectSheet(db, sheet)
    db.exec('COMMIT')
    port.postMessage('ready')
    await once(port, 'message')
    db.exec('BEGIN IMMEDIATE')
    const written = await keep()
    db.exec('COMMIT')
    port.postMessage(written satisfies SheetWritten)
    db.pragma('wal_checkpoint(PASSIVE)')
    return null
  } catch (error) {
    if (db.inTransaction) db.exec('ROLLBACK')
    const { message, code } = error as Error & { code?: string }
    return { message, code }
  }
}

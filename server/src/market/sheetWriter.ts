import { Injectable, type OnModuleDestroy, type Provider } from '@nestjs/common'
import { once } from 'node:events'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import { Databases } from '../base/database.ts'
import { Writer } from '../base/writer.ts'
import type { Sheet, SheetRead } from './sheet.ts'
import type { Fault } from './sheetWorker.ts'

/** Reads and writes lists that nobody takes back, each in a transaction of its own, in its turn among all that is written. */
@Injectable()
export abstract class SheetWriter {
  abstract write(sheet: Sheet): Promise<SheetRead>
}

/** Milliseconds the thread waits for another list before it ends. */
const IDLE = 30_000

/**
 * A thread with a connection of its own: a list of thousands of lines among a million takes a good part of a second, in
 * which everybody else would wait. What is read there is litter there, and never grows the memory of the program.
 */
@Injectable()
export class ThreadSheetWriter extends SheetWriter implements OnModuleDestroy {
  private readonly pool: Piscina

  constructor(
    private readonly writer: Writer,
    databases: Databases,
  ) {
    super()
    this.pool = new Piscina({
      filename: new URL('./sheetWorker.js', import.meta.url).href,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: IDLE,
      workerData: databases.place,
      execArgv: ['--no-experimental-require-module'],
    })
  }

  async write(sheet: Sheet): Promise<SheetRead> {
    const { port1, port2 } = new MessageChannel()
    const said = async () => ((await once(port1, 'message')) as ['ready' | SheetRead])[0]
    try {
      const task = this.pool.run({ sheet, port: port2 }, { transferList: [port2] }) as Promise<Fault | null>
      // What is done after the list is kept concerns nobody.
      const failed = task.then((fault) => {
        if (fault) throw Object.assign(new Error(fault.message), { code: fault.code })
        return new Promise<never>(() => undefined)
      })
      // Whoever else writes waits only while the list is kept, not while it is put in order.
      const read = await Promise.race([said(), failed])
      if (read !== 'ready') return read
      return await this.writer.elsewhere(() => {
        const kept = Promise.race([said(), failed])
        port1.postMessage('go on')
        return kept as Promise<SheetRead>
      })
    } finally {
      port1.close()
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.close()
  }
}

export type SheetWriterIn = new (writer: Writer, databases: Databases) => SheetWriter

/** Names the class of the writer that is used. */
export const SHEET_WRITER = Symbol('sheet writer')

export const sheetWriterIn: Provider = {
  provide: SheetWriter,
  inject: [SHEET_WRITER, Writer, Databases],
  useFactory: (used: SheetWriterIn, writer: Writer, databases: Databases) => new used(writer, databases),
}

import { ExpressAdapter } from '@nestjs/platform-express'
import type { Server } from 'node:http'

/** Nest over a server that listens already. */
export class DoorAdapter extends ExpressAdapter {
  constructor(private readonly door: Server) {
    super()
  }

  override initHttpServer(): void {
    this.httpServer = this.door
  }

  override async close(): Promise<void> {
    // Browsers hold connections open, events of jobs above all; a stop does not wait for them.
    await new Promise((resolve) => {
      this.door.close(resolve)
      this.door.closeAllConnections()
    })
  }
}

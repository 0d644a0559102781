import type { OnApplicationShutdown } from '@nestjs/common'
import { createServer, type IncomingMessage, type RequestListener, type Server } from 'node:http'
import { createServer as createSecure } from 'node:https'
import type { AddressInfo } from 'node:net'
import { StartRefused } from '../base/refusal.ts'
import { markFromNetwork } from '../base/network.ts'
import { codeOf } from '../base/storage.ts'
import type { Access } from './access.ts'
import { tokenOf } from './cookie.ts'
import { hostsHere } from './hosts.ts'

/** A certificate and its key, PEM. */
export interface Certificate {
  cert: Buffer
  key: Buffer
}

const ANYWHERE = '0.0.0.0'

/**
 * The listener for other devices, beside that of this machine. What comes over it is marked, so that whoever has not said the
 * passphrase gets no further than the door.
 */
export class Network implements OnApplicationShutdown {
  private server: Server | null = null
  private listener: RequestListener | null = null
  private certificate: Certificate | null = null
  /** The address it listens at; any of this machine unless said otherwise. */
  private address = ANYWHERE

  constructor(private readonly access: Access) {}

  /** Who answers. */
  answerWith(listener: RequestListener): void {
    this.listener = listener
  }

  /** Listen at an address of this machine alone, and by a certificate, whenever it is opened. */
  use({ address = ANYWHERE, certificate = null }: { address?: string; certificate?: Certificate | null }): void {
    this.address = address
    this.certificate = certificate
  }

  get port(): number | null {
    return this.server ? (this.server.address() as AddressInfo).port : null
  }

  get secure(): boolean {
    return this.certificate !== null
  }

  hosts(): string[] {
    return hostsHere(this.address)
  }

  /** Addresses to type on another device, the likeliest first; none while it is closed. */
  addresses(): string[] {
    const { port } = this
    if (port === null) return []
    return this.hosts().map((host) => `${this.scheme}://${host}:${port}`)
  }

  private get scheme(): 'http' | 'https' {
    return this.certificate ? 'https' : 'http'
  }

  /** Open it at a port. @throws StartRefused without a passphrase, or where the port is not to be had. */
  async open(port: number): Promise<void> {
    if (!this.access.hasPassphrase)
      throw new StartRefused(
        'Other devices come in by a passphrase only. Choose one of at least 12 letters in Settings, Other devices, or give it in OUTFIT_PASSPHRASE.',
      )
    await this.close()
    const answer = (request: IncomingMessage, response: Parameters<RequestListener>[1]) => {
      const entered = this.access.knows(tokenOf(request))
      markFromNetwork(request, { scheme: this.scheme, hosts: this.hosts(), entered })
      this.listener!(request, response)
    }
    const server = this.serverFor(answer)
    await new Promise<void>((resolve, reject) => {
      server.once('error', (error) =>
        reject(
          codeOf(error) === 'EADDRINUSE'
            ? new StartRefused(`Port ${port} is in use. Give another to other devices, as in --listen 0.0.0.0:4400.`)
            : new StartRefused(
                `Other devices cannot be listened to at ${this.address}, port ${port}: ${error.message}`,
              ),
        ),
      )
      server.listen(port, this.address, resolve)
    })
    this.server = server
  }

  private serverFor(answer: RequestListener): Server {
    if (!this.certificate) return createServer(answer)
    try {
      return createSecure(this.certificate, answer) as Server
    } catch (error) {
      throw new StartRefused(`The certificate and its key do not do: ${(error as Error).message}`)
    }
  }

  async close(): Promise<void> {
    const { server } = this
    this.server = null
    if (!server) return
    await new Promise<void>((resolve) => {
      server.close(() => resolve())
      server.closeAllConnections()
    })
  }

  /** End what devices hold open, so that one that was put out hears nothing more. */
  dropConnections(): void {
    this.server?.closeAllConnections()
  }

  onApplicationShutdown(): Promise<void> {
    return this.close()
  }
}

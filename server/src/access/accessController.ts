import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Req, Res, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsBoolean, IsOptional } from 'class-validator'
import type { Request, Response } from 'express'
import QRCode from 'qrcode'
import { PASSPHRASE, type AccessState, type NetworkState } from '@outfit/core/access'
import { deviceOf } from '@outfit/core/journal'
import { FileAnswer, FilledText, Text, Whole } from '../base/fields.ts'
import { fromNetwork } from '../base/network.ts'
import { notFound, Problem } from '../base/problem.ts'
import { StartRefused } from '../base/refusal.ts'
import { Access } from './access.ts'
import { DEVICE_COOKIE, tokenOf } from './cookie.ts'
import { Network } from './network.ts'
import { lengthOf } from './passphrase.ts'

/** Milliseconds a browser keeps its token; the server decides how long it holds. */
const KEPT = 180 * 86_400_000

export class Enter {
  @FilledText(1000) passphrase: string
}

export class ChangeNetwork {
  @IsBoolean() open: boolean
  /** A new passphrase; whoever came in by the one before has to say it. */
  @IsOptional() @Text(1000) passphrase?: string
  /** The port to open; one above that of this machine unless said otherwise. */
  @IsOptional() @Whole(1, 65535) port?: number
}

@ApiTags('access')
@Controller('access')
export class AccessController {
  constructor(
    private readonly access: Access,
    private readonly network: Network,
  ) {}

  /** Whether the door is open to who asks. */
  @Get()
  state(@Req() request: Request): AccessState {
    const from = fromNetwork(request)
    return { here: !from, entered: !from || from.entered }
  }

  /** Come in by saying the passphrase. 403 where it is another, 429 after too many tries. */
  @Post('entered')
  @HttpCode(204)
  async enter(@Req() request: Request, @Res({ passthrough: true }) response: Response, @Body() { passphrase }: Enter) {
    const address = request.socket.remoteAddress ?? ''
    const wait = this.access.throttle.wait(address)
    if (wait > 0) {
      response.setHeader('Retry-After', String(wait))
      const minutes = Math.ceil(wait / 60)
      throw new Problem(
        429,
        wait === 1
          ? 'Somebody else is at the door. Try again.'
          : `Too many tries. Wait ${minutes} minutes, then try again.`,
      )
    }
    const device = deviceOf(request.headers['user-agent'] ?? '')
    const token = await this.access.enter(address, passphrase, device, tokenOf(request))
    if (token === null)
      throw new Problem(403, 'That is not the passphrase.', [{ field: 'passphrase', message: 'is another' }])
    const secure = fromNetwork(request)?.scheme === 'https'
    response.cookie(DEVICE_COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', secure, maxAge: KEPT })
  }

  /** Leave: this device has to say the passphrase again. */
  @Delete('entered')
  @HttpCode(204)
  leave(@Req() request: Request, @Res({ passthrough: true }) response: Response): void {
    const token = tokenOf(request)
    if (token !== null) this.access.forget(token)
    response.clearCookie(DEVICE_COOKIE, { path: '/' })
  }

  /** Whether other devices may come in, how, and which did. */
  @Get('network')
  now(@Req() request: Request): NetworkState {
    return {
      here: !fromNetwork(request),
      hasPassphrase: this.access.hasPassphrase,
      port: this.network.port,
      secure: this.network.secure,
      addresses: this.network.addresses(),
      hosts: this.network.hosts(),
      devices: this.access.devices(tokenOf(request)),
    }
  }

  /** Open the door to other devices or close it; from this machine alone. */
  @Put('network')
  async change(@Req() request: Request, @Body() { open, passphrase, port }: ChangeNetwork): Promise<NetworkState> {
    if (fromNetwork(request)) throw new Problem(403, 'The door is opened and closed at the machine Outfit runs on.')
    if (passphrase !== undefined) {
      if (lengthOf(passphrase) < PASSPHRASE.least || lengthOf(passphrase) > PASSPHRASE.most)
        throw new Problem(400, 'The passphrase is too short.', [
          { field: 'passphrase', message: `must have ${PASSPHRASE.least} to ${PASSPHRASE.most} letters` },
        ])
      await this.access.setPassphrase(passphrase)
      this.network.dropConnections()
    }
    if (open && !this.access.hasPassphrase)
      throw new Problem(400, 'There is no passphrase yet.', [{ field: 'passphrase', message: 'is missing' }])
    if (open) await this.open(port ?? null, this.network.port ?? (request.socket.localPort ?? 4310) + 1)
    else await this.network.close()
    this.access.keepPort(this.network.port)
    return this.now(request)
  }

  /** At the port that is wished for, or else at the first of a few that is free. */
  private async open(wished: number | null, port: number, tries = 10): Promise<void> {
    try {
      await this.network.open(wished ?? port)
    } catch (error) {
      if (!(error instanceof StartRefused)) throw error
      if (wished === null && tries > 1 && port < 65535) return this.open(null, port + 1, tries - 1)
      throw new Problem(409, error.message, [{ field: 'port', message: 'is not to be had' }])
    }
  }

  /** The first address as a code a phone reads. */
  @Get('network/code.svg')
  @FileAnswer('image/svg+xml')
  async code(): Promise<StreamableFile> {
    const [address] = this.network.addresses()
    if (!address) throw notFound('address', 'network')
    const svg = await QRCode.toString(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' })
    return new StreamableFile(Buffer.from(svg), { type: 'image/svg+xml' })
  }

  /** Put a device out: it has to say the passphrase again. */
  @Delete('devices/:id')
  @HttpCode(204)
  putOut(@Param('id') id: string): void {
    if (!this.access.putOut(id)) throw notFound('device', id)
    this.network.dropConnections()
  }
}

import type { INestApplicationContext } from '@nestjs/common'
import { readFileSync } from 'node:fs'
import { PASSPHRASE } from '@outfit/core/access'
import { StartRefused } from '../base/refusal.ts'
import type { Settings } from '../base/settings.ts'
import { Access } from './access.ts'
import { Network, type Certificate } from './network.ts'
import { lengthOf } from './passphrase.ts'

/**
 * Open the door to other devices where the command line says so, or where it was left open; what the person at the screen is
 * told of it. A passphrase in OUTFIT_PASSPHRASE replaces the one there is.
 *
 * @throws StartRefused where the command line asks for what cannot be. A door that was left open and cannot be opened now is told.
 */
export async function letOthersIn(
  app: INestApplicationContext,
  { listen, certificate }: Settings,
  port: number,
): Promise<string[]> {
  const [access, network] = [app.get(Access), app.get(Network)]
  network.use({ ...(listen ? { address: listen.address } : {}), certificate: certificate ? read(certificate) : null })
  const passphrase = process.env['OUTFIT_PASSPHRASE']
  if (passphrase !== undefined) {
    if (lengthOf(passphrase) < PASSPHRASE.least || lengthOf(passphrase) > PASSPHRASE.most)
      throw new StartRefused(`OUTFIT_PASSPHRASE must have ${PASSPHRASE.least} to ${PASSPHRASE.most} letters.`)
    await access.setPassphrase(passphrase)
  }
  const left = access.port
  if (!listen && left === null) return []
  try {
    await network.open(listen ? (listen.port ?? port + 1) : left!)
  } catch (error) {
    if (listen || !(error instanceof StartRefused)) throw error
    return [`Other devices cannot come in: ${error.message}`]
  }
  const hosts = network.hosts().join(', ')
  return [
    `Other devices open ${network.addresses()[0] ?? `port ${network.port}`} and say the passphrase.`,
    `This machine may be called ${hosts}.`,
    ...(network.secure ? [] : ['That line is not encrypted: whoever is in the same network can read along.']),
  ]
}

function read({ cert, key }: NonNullable<Settings['certificate']>): Certificate {
  try {
    return { cert: readFileSync(cert), key: readFileSync(key) }
  } catch (error) {
    throw new StartRefused(`The certificate cannot be read: ${(error as Error).message}`)
  }
}

import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

/** What a passphrase is kept as: nobody reads it from that. */
export interface KeptPassphrase {
  salt: string
  hash: string
  /** Costs of scrypt (RFC 7914), kept with it so that later ones may be higher. */
  cost: number
  block: number
  parallel: number
}

/** 64 MB and about a quarter of a second for each try (OWASP Password Storage Cheat Sheet: N = 2^16, r = 8, p = 2). */
const COSTS = { cost: 2 ** 16, block: 8, parallel: 2 }
const LENGTH = 32

/** The same letters however a keyboard put them together. */
const normal = (passphrase: string) => passphrase.normalize('NFKC').trim()

function derived(passphrase: string, { salt, cost, block, parallel }: Omit<KeptPassphrase, 'hash'>): Promise<Buffer> {
  const options = { N: cost, r: block, p: parallel, maxmem: 160 * cost * block }
  return new Promise((resolve, reject) =>
    scrypt(normal(passphrase), Buffer.from(salt, 'base64'), LENGTH, options, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  )
}

export async function keptPassphrase(passphrase: string): Promise<KeptPassphrase> {
  const kept = { salt: randomBytes(16).toString('base64'), ...COSTS }
  return { ...kept, hash: (await derived(passphrase, kept)).toString('base64') }
}

export async function isPassphrase(passphrase: string, kept: KeptPassphrase): Promise<boolean> {
  return timingSafeEqual(await derived(passphrase, kept), Buffer.from(kept.hash, 'base64'))
}

export const lengthOf = (passphrase: string): number => [...normal(passphrase)].length

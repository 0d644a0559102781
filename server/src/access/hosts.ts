import { hostname, networkInterfaces } from 'node:os'

/** Addresses of homes and small networks (RFC 1918), which another device most likely reaches. */
const PRIVATE = /^(192\.168|10|172\.(1[6-9]|2\d|3[01]))\./

/** Addresses of this machine in its networks, the likeliest first; IPv6 in brackets, as browsers write it. */
export function addressesHere(interfaces = networkInterfaces()): string[] {
  const all = Object.values(interfaces).flatMap((list) => list ?? [])
  const outside = all.filter(({ internal, address }) => !internal && !address.startsWith('fe80'))
  const rank = ({ family, address }: (typeof outside)[number]) =>
    family === 'IPv6' ? 2 : PRIVATE.test(address) ? 0 : 1
  return outside
    .sort((a, b) => rank(a) - rank(b))
    .map(({ family, address }) => (family === 'IPv6' ? `[${address}]` : address))
}

/** Addresses that stand for all of this machine: those of IPv4, or of both kinds. */
const ALL = new Set(['0.0.0.0', '::'])

/** What other devices may call this machine that listens at an address: its addresses and its name, or that address alone. */
export function hostsHere(address: string): string[] {
  if (!ALL.has(address)) return [address.includes(':') ? `[${address}]` : address]
  const name = hostname().toLowerCase()
  const all = addressesHere().filter((one) => address === '::' || !one.startsWith('['))
  return [...all, name, ...(name.includes('.') ? [] : [`${name}.local`])]
}

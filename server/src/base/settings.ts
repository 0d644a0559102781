import { resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { StartRefused } from './refusal.ts'

export const SETTINGS = Symbol('settings')

export interface Settings {
  port: number
  /** Folder of the database and of generated files. */
  data: string
  /** Folder of the built interface; null serves the API alone. */
  web: string | null
  /** Folder of a sample world to load into an empty database; null for none. */
  world: string | null
  /** Where quote sheets are asked for: the address of a service, or the folder of a made-up market; null for nowhere. */
  market: string | null
  /** Folder of the sample world that can be looked at beside this workspace; null for none. */
  samples?: string | null
  /** Address of the workspace this is the sample world of; null where it is a workspace itself. */
  back?: string | null
  /** Address and port to listen at for other devices; the port is one above `port` where it is null. Null: as it was left. */
  listen?: { address: string; port: number | null } | null
  /** Files of a certificate and its key, PEM, for the line to other devices. */
  certificate?: { cert: string; key: string } | null
  /** Put what is in the data folder aside and begin anew. */
  fresh?: boolean
  /** Every commit is on the disk before it is acknowledged; true unless said otherwise. */
  durable?: boolean
}

/** Read the command line: --port N, --data DIR, --web DIR, --world DIR, --market URL or DIR, --samples DIR, --back URL, --listen ADDRESS[:PORT], --cert FILE, --key FILE, --fresh. Throws `StartRefused` with a sentence for the person. */
export function readSettings(args: readonly string[]): Settings {
  const values = valuesOf(args)
  const port = values.port === '' ? NaN : Number(values.port ?? 4310)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartRefused(`--port must be a number from 0 to 65535; it is ${values.port}.`)
  for (const name of ['data', 'web', 'world', 'samples'] as const)
    if (values[name] === '') throw new StartRefused(`--${name} must name a folder; it is empty.`)
  if ((values.cert === undefined) !== (values.key === undefined))
    throw new StartRefused('--cert and --key go together: the files of a certificate and of its key.')
  // A sample world brings its market along.
  const world = values.world ? resolve(values.world) : null
  return {
    port,
    data: resolve(values.data ?? 'data'),
    web: values.web ? resolve(values.web) : null,
    world,
    samples: values.samples ? resolve(values.samples) : null,
    back: values.back ?? null,
    fresh: values.fresh ?? false,
    listen: values.listen === undefined ? null : listenOf(values.listen),
    certificate: values.cert !== undefined && values.key !== undefined ? { cert: values.cert, key: values.key } : null,
    market:
      values.market === undefined ? world : /^https?:/.test(values.market) ? values.market : resolve(values.market),
  }
}

/** "0.0.0.0", "192.168.1.5:4400", "[::]:4400". */
function listenOf(text: string): { address: string; port: number | null } {
  const [, address, port] = /^(\[[\da-f:]+\]|[^:\s]+)(?::(\d{1,5}))?$/i.exec(text) ?? []
  if (address === undefined || Number(port ?? 1) < 1 || Number(port ?? 1) > 65535)
    throw new StartRefused(`--listen must be an address such as 0.0.0.0, or 0.0.0.0:4400; it is ${text}.`)
  return { address: address.replace(/^\[|\]$/g, ''), port: port === undefined ? null : Number(port) }
}

function valuesOf(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      options: {
        port: { type: 'string' },
        data: { type: 'string' },
        web: { type: 'string' },
        world: { type: 'string' },
        market: { type: 'string' },
        samples: { type: 'string' },
        back: { type: 'string' },
        listen: { type: 'string' },
        cert: { type: 'string' },
        key: { type: 'string' },
        fresh: { type: 'boolean' },
      },
    }).values
  } catch (error) {
    throw new StartRefused((error as Error).message)
  }
}

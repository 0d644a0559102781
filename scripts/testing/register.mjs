import { register } from 'node:module'

/** For `node --import`: TypeScript is run as it is written, for tests that share one set of modules a process. */
register('./hooks.mjs', import.meta.url)

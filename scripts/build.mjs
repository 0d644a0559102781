/** `npm run build`: installs what is missing and builds core, server and web. */
import { build, install } from './tree.mjs'

install()
await build()

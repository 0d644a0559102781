/**
 * `npm run archive -- FILE.zip --data DIR` and `npm run restore -- FILE.zip --data DIR`: everything of a data folder as one
 * file, and back. Exit 2 with one line where that cannot be.
 */
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build, install, ROOT } from './tree.mjs'

install()
await build()
const { status } = spawnSync(
  process.execPath,
  [join(ROOT, 'server/dist/bundle/archiveCli.js'), ...process.argv.slice(2)],
  {
    stdio: 'inherit',
    cwd: process.env.INIT_CWD ?? ROOT,
  },
)
process.exit(status ?? 1)

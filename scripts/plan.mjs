/** `npm run --silent plan -- problem.json`: solve a sourcing problem and print the plan; exit 2 when the problem is bad. */
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build, install, ROOT } from './tree.mjs'

install()
build()
const { status } = spawnSync(
  process.execPath,
  [join(ROOT, 'server/dist/sourcing/planCli.js'), ...process.argv.slice(2)],
  { stdio: 'inherit', cwd: process.env.INIT_CWD ?? ROOT },
)
process.exit(status ?? 1)

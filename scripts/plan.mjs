/**
 * `npm run --silent plan -- problem.json` and `npm run --silent roster -- problem.json`: solve a sourcing problem, or a roster
 * problem, and print the plan; exit 2 when the problem is bad.
 */
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build, install, ROOT } from './tree.mjs'

const CLIS = { plan: 'planCli.js', roster: 'rosterCli.js' }

install()
await build()
const [what, ...args] = process.argv.slice(2)
const { status } = spawnSync(process.execPath, [join(ROOT, 'server/dist/bundle', CLIS[what]), ...args], {
  stdio: 'inherit',
  cwd: process.env.INIT_CWD ?? ROOT,
})
process.exit(status ?? 1)

/** `npm run unit -- FILES`: the tests of Jest, or those whose paths match. */
import { jest } from './tree.mjs'

try {
  jest(process.argv.slice(2))
} catch {
  // Jest itself has told what failed.
  process.exitCode = 1
}

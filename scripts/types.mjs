/**
 * `npm run types`: checks the types of all code, and that server/answers.json says what they say. The compiler is the native
 * one, under a name of its own: programs that read types need its predecessor, which has an interface for them.
 */
import { run, TSC } from './tree.mjs'

run(process.execPath, [TSC, '-b', 'core', 'server'])
run(process.execPath, ['scripts/answers.mjs', '--check'])
for (const project of ['tsconfig.tests.json', 'web', 'e2e']) run(process.execPath, [TSC, '-p', project])

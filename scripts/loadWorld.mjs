/** `node scripts/loadWorld.mjs FOLDER`: load the sample world into a folder, for all tests of a run (scripts/test.mjs). */
import { loadWorld } from './tree.mjs'

await loadWorld(process.argv[2])

import { mkdtempSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { isBuilt, loadWorld } from '../../../scripts/tree.mjs'

/**
 * Before all test files of a run: a folder for what they share, gone when the run ends. The sample world is loaded into it by
 * the built server where that is of the sources as they are, three times as fast as the first test that needs it would.
 */
export default async function begin() {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-tests-'))
  process.env.OUTFIT_TEST_RUN = folder
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
  if (!isBuilt()) return
  const loading = join(folder, 'loading')
  await loadWorld(loading)
  renameSync(loading, join(folder, 'world'))
}

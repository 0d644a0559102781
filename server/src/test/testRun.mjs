import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Before all test files of a run: a folder for what they share, gone when the run ends. */
export default function begin() {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-tests-'))
  process.env.OUTFIT_TEST_RUN = folder
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
}

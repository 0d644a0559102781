import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ulid } from 'ulid'

/** In the data folder, and in no archive: two folders an archive was brought back into are two workspaces. */
export const WORKSPACE_FILE = 'outfit.workspace'

/** What a workspace is called, and whether a copy was ever brought back into it. */
export interface WorkspaceName {
  name: string
  broughtBack: boolean
}

/** The name of the workspace of a data folder; it gets one where it has none. */
export function workspaceName(folder: string): WorkspaceName {
  const file = join(folder, WORKSPACE_FILE)
  if (existsSync(file)) {
    const [name = '', back] = readFileSync(file, 'utf8').trim().split(' ')
    if (name !== '') return { name, broughtBack: back === 'back' }
  }
  return nameAnew(folder, false)
}

/** All of a workspace was replaced: it is another from now on. */
export function nameAnew(folder: string, broughtBack: boolean): WorkspaceName {
  const file = join(folder, WORKSPACE_FILE)
  const name = ulid()
  writeFileSync(`${file}.part`, `${name}${broughtBack ? ' back' : ''}\n`)
  renameSync(`${file}.part`, file)
  return { name, broughtBack }
}

import { newName } from './newName.ts'

const KEY = 'outfit.window'

function kept(): string {
  const name = sessionStorage.getItem(KEY) ?? newName()
  sessionStorage.setItem(KEY, name)
  return name
}

/** This window, across its reloads. */
export const windowName: string = kept()

import { useHotkeys } from 'react-hotkeys-hook'
import { takeBack } from './tell.ts'

/** Ctrl or Cmd+Z takes back what was done last in this room. */
export function useUndoKey(enabled = true): void {
  useHotkeys('mod+z', () => void takeBack(), { preventDefault: true, enabled })
}

import { useHotkeys } from 'react-hotkeys-hook'

export interface BenchActions {
  row: (by: 1 | -1) => void
  pick: (by: number) => void
  wearPicked: () => void
  takeOff: () => void
  turnTorso: () => void
  turnHead: () => void
  otherSide: () => void
  before: (shown: boolean) => void
  newTake: () => void
  nextPin: () => void
  find: () => void
  undo: () => void
  redo: () => void
}

/** Enter and the arrows belong to whatever control has the focus, unless that is the tray or nothing at all. */
const elsewhere = () => {
  const focused = document.activeElement
  return focused !== null && focused !== document.body && focused.getAttribute('role') !== 'listbox'
}

/** The keys of the bench. They rest while something is typed; single letters can be switched off. */
export function useBenchKeys(actions: BenchActions, columns: number, singleKeys: boolean): void {
  const single = { enabled: singleKeys }
  const arrows: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -columns, ArrowDown: columns }
  const deps = [actions]
  useHotkeys('j', () => actions.row(1), single, deps)
  useHotkeys('k', () => actions.row(-1), single, deps)
  useHotkeys('x', actions.takeOff, single, deps)
  useHotkeys('u', actions.turnTorso, single, deps)
  useHotkeys('h', actions.turnHead, single, deps)
  useHotkeys('v', actions.otherSide, single, deps)
  useHotkeys('t', actions.newTake, single, deps)
  useHotkeys('n', actions.nextPin, single, deps)
  useHotkeys('b', ({ type }) => actions.before(type === 'keydown'), { ...single, keydown: true, keyup: true }, deps)
  useHotkeys('/', actions.find, { ...single, useKey: true, preventDefault: true }, deps)
  useHotkeys(
    ['left', 'right', 'up', 'down'],
    (event) => {
      if (elsewhere()) return
      event.preventDefault()
      actions.pick(arrows[event.key] ?? 0)
    },
    deps,
  )
  useHotkeys('enter', () => void (elsewhere() || actions.wearPicked()), deps)
  useHotkeys('mod+z', actions.undo, { preventDefault: true }, deps)
  useHotkeys(['mod+shift+z', 'mod+y'], actions.redo, { preventDefault: true }, deps)
}

import { Dialog } from 'radix-ui'
import { Button } from '../ui/Button.tsx'
import { Switched } from '../ui/Switched.tsx'
import { settingsApi, useSettings } from '../data/settingsApi.ts'

const KEYS: [string, string][] = [
  ['j / k', 'Slot down, slot up'],
  ['/', 'Find in the tray or among all parts'],
  ['Arrows', 'Move in the tray'],
  ['Enter', 'Wear what is picked'],
  ['x', 'Take off what the slot wears'],
  ['u', 'Turn the torso round'],
  ['h', 'Turn the head to its other face'],
  ['v', 'Look from the other side'],
  ['b (hold)', 'See the take before'],
  ['t', 'New take from this one'],
  ['n', 'Next pin'],
  ['Ctrl Z', 'Undo; with Shift, redo'],
  ['Ctrl K', 'Find anything and go there'],
  ['g then r, p, d, m, o, l', 'Go to rosters, parts, drawer, market, parcels (orders), later'],
  ['g then ,', 'Settings'],
  ['g then i, b, a, t, s, w, c', 'Of the outfit open last: brief, bench, casting, takes, sourcing, workbench, card'],
  ['?', 'This list'],
]

/** Every key, and the switch for single letters. */
export function KeysDialog(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { singleKeys } = useSettings()
  const [change] = settingsApi.endpoints.changeSettings.useMutation()
  return (
    <Dialog.Root {...props}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 w-[460px] -translate-x-1/2 -translate-y-1/2 rounded-[14px] border border-rule bg-card p-6 shadow-xl">
          <Dialog.Title className="text-xl">Keys</Dialog.Title>
          <Dialog.Description className="text-soft">They rest while you type.</Dialog.Description>
          <dl className="mt-4 grid grid-cols-[150px_1fr] gap-y-1.5">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <div className="mt-5">
            <Switched on={singleKeys} onChange={(on) => void change({ singleKeys: on })}>
              Single-letter keys
            </Switched>
          </div>
          <Dialog.Close asChild>
            <Button className="mt-5">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

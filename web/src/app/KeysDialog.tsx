import { Dialog, Switch } from 'radix-ui'
import { Button } from '../ui/Button.tsx'
import { useSingleKeys } from '../data/singleKeys.ts'

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
  ['g then r, m, o, d, p, l', 'Go to rosters, market, parcels (orders), drawer, parts, later'],
  ['g then i, b, a, t, w, s, c', 'Of an outfit: brief, bench, casting, takes, workbench, sourcing, card'],
  ['?', 'This list'],
]

/** Every key, and the switch for single letters. */
export function KeysDialog(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const [single, setSingle] = useSingleKeys()
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
          <label className="mt-5 flex items-center gap-3">
            <Switch.Root
              checked={single}
              onCheckedChange={setSingle}
              className="h-6 w-11 rounded-full border border-rule bg-band data-[state=checked]:bg-act"
            >
              <Switch.Thumb className="block size-4.5 translate-x-1 rounded-full bg-ink transition-transform data-[state=checked]:translate-x-5 data-[state=checked]:bg-act-ink" />
            </Switch.Root>
            Single-letter keys
          </label>
          <Dialog.Close asChild>
            <Button className="mt-5">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

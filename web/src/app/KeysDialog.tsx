import { Dialog, Tabs } from 'radix-ui'
import { Button } from '../ui/Button.tsx'
import { Switched } from '../ui/Switched.tsx'
import { WORDS, WordNote, type WordKey } from '../ui/words.tsx'
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

const TAB =
  'rounded-t-[8px] border-b-2 border-transparent px-2.5 py-1 text-soft hover:bg-band hover:text-ink data-[state=active]:border-act data-[state=active]:font-bold data-[state=active]:text-ink'

/** Every key with the switch for single letters, and every word of the work. */
export function KeysDialog(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { singleKeys } = useSettings()
  const [change] = settingsApi.endpoints.changeSettings.useMutation()
  return (
    <Dialog.Root {...props}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 max-h-[calc(100vh-24px)] w-[860px] max-w-[calc(100vw-16px)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-[14px] border border-rule bg-card p-6 shadow-xl">
          <Dialog.Title className="text-xl">Keys and words</Dialog.Title>
          <Dialog.Description className="sr-only">
            What each key does, and what words of the work mean.
          </Dialog.Description>
          <Tabs.Root defaultValue="keys">
            <Tabs.List aria-label="Keys and words" className="mt-2 flex gap-1 border-b border-rule">
              <Tabs.Trigger value="keys" className={TAB}>
                Keys
              </Tabs.Trigger>
              <Tabs.Trigger value="words" className={TAB}>
                What words mean
              </Tabs.Trigger>
            </Tabs.List>
            <Tabs.Content value="keys" className="pt-3">
              <p className="text-soft">They rest while you type.</p>
              <dl className="mt-2 grid grid-cols-[150px_1fr] gap-x-3 gap-y-1.5 lg:grid-cols-[130px_1fr_150px_1fr]">
                {KEYS.map(([key, what]) => (
                  <div key={key} className="contents">
                    <dt className="font-semibold">{key}</dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
              <div className="mt-4">
                <Switched on={singleKeys} onChange={(on) => void change({ singleKeys: on })}>
                  Single-letter keys
                </Switched>
              </div>
            </Tabs.Content>
            <Tabs.Content value="words" className="pt-3">
              <ul className="grid gap-x-6 gap-y-3 lg:grid-cols-2">
                {(Object.keys(WORDS) as WordKey[]).map((word) => (
                  <li key={word}>
                    <WordNote word={word} />
                  </li>
                ))}
              </ul>
            </Tabs.Content>
          </Tabs.Root>
          <Dialog.Close asChild>
            <Button className="mt-4">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

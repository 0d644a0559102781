import { useState } from 'react'
import { X } from 'lucide-react'
import type { BoxBin, Condition } from '@outfit/core/drawer'
import { api, errorText } from '../data/api.ts'
import { drawerApi, type Thing } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { PhotoField } from '../ui/PhotoField.tsx'
import { tell } from '../ui/tell.ts'
import { BinSelect, isPlain } from './BinSelect.tsx'
import { FindThing, type Named } from './FindThing.tsx'

const LAST_BIN = 'outfit.last-bin'

/** Quick add: parts, whole figures or boxes, everything they contain into a bin. */
export function BringIn({ bins }: { bins: readonly BoxBin[] }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button look="act" onClick={() => setOpen(true)} disabled={bins.length === 0}>
        Bring in…
      </Button>
      {open && <BringInForm bins={bins} onDone={() => setOpen(false)} />}
    </>
  )
}

function BringInForm({ bins, onDone }: { bins: readonly BoxBin[]; onDone: () => void }) {
  const loose = bins.filter(isPlain)
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const [things, setThings] = useState<(Named & Thing)[]>([])
  const remembered = localStorage.getItem(LAST_BIN)
  const [bin, setBin] = useState(loose.find(({ code }) => code === remembered)?.code ?? loose[0]?.code ?? '')
  const [condition, setCondition] = useState<Condition>('used')
  const [together, setTogether] = useState(true)
  const [text, setText] = useState('')
  const [roster, setRoster] = useState('')
  const [photo, setPhoto] = useState<string | null>(null)
  const [bringIn, { error, isLoading }] = drawerApi.endpoints.bringIn.useMutation()
  const [reverse] = drawerApi.endpoints.reverseAct.useMutation()
  const pick = (thing: Named) =>
    setThings((before) => {
      const same = (one: Named) => one.kind === thing.kind && one.code === thing.code
      return before.some(same)
        ? before.map((one) => (same(one) ? { ...one, qty: one.qty + 1 } : one))
        : [...before, { ...thing, qty: 1 }]
    })
  const keep = async () => {
    localStorage.setItem(LAST_BIN, bin)
    const answer = await bringIn({
      things: things.map(({ kind, code, qty }) => ({ kind, code, qty })),
      bin,
      together,
      condition,
      text: text.trim(),
      roster: roster || null,
      photo,
    })
    if (answer.error) return
    const { act } = answer.data
    const what = things.map(({ name, qty }) => (qty > 1 ? `${qty} × ${name}` : name)).join(', ')
    tell(`${what}: in the drawer.`, () => reverse(act))
    onDone()
  }
  const isWhole = things.some(({ kind }) => kind !== 'part')
  return (
    <FormDialog
      title="Bring in"
      about="Everything a figure or a box contains lands in the drawer."
      keep="Into the drawer"
      ready={things.length > 0 && bin !== '' && !isLoading}
      problem={error ? errorText(error) : ''}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <FindThing label="What came" onPick={pick} />
      {things.length > 0 && (
        <ul aria-label="What comes in" className="space-y-1">
          {things.map((thing, i) => (
            <li key={`${thing.kind} ${thing.code}`} className="flex items-center gap-2">
              <input
                type="number"
                min={1}
                max={10000}
                value={thing.qty}
                aria-label={`How many of ${thing.name}`}
                onChange={({ target }) =>
                  setThings(
                    things.map((one, at) => (at === i ? { ...one, qty: Math.max(1, Number(target.value)) } : one)),
                  )
                }
                className="w-[64px] rounded-[8px] border border-rule bg-paper px-2 py-0.5"
              />
              <span className="min-w-0 flex-1 truncate">
                {thing.name} <span className="text-soft">{thing.kind === 'part' ? thing.code : thing.kind}</span>
              </span>
              <button
                type="button"
                aria-label={`Without ${thing.name}`}
                onClick={() => setThings(things.filter((one) => one !== thing))}
                className="rounded-[8px] p-1 text-soft hover:bg-band hover:text-ink"
              >
                <X aria-hidden className="size-4" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-3">
        <BinSelect label="Into the bin" bins={loose} value={bin} onPick={setBin} />
        <label className="block font-semibold">
          Condition
          <select
            value={condition}
            onChange={({ target }) => setCondition(target.value as Condition)}
            className={FIELD}
          >
            <option value="used">used</option>
            <option value="new">new</option>
          </select>
        </label>
        <label className="block font-semibold">
          For the roster
          <select value={roster} onChange={({ target }) => setRoster(target.value)} className={FIELD}>
            <option value="">none in particular</option>
            {shelves?.rosters.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <PhotoField onPhoto={setPhoto} />
      </div>
      {isWhole && (
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={together} onChange={({ target }) => setTogether(target.checked)} />
          Leave figures standing together, each by itself
        </label>
      )}
      <label className="block font-semibold">
        Where from, or why
        <input
          value={text}
          maxLength={300}
          onChange={({ target }) => setText(target.value)}
          placeholder="flea market, swap, birthday …"
          className={FIELD}
        />
      </label>
    </FormDialog>
  )
}

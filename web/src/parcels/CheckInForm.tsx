import { X } from 'lucide-react'
import { useState } from 'react'
import type { Catalogue } from '@outfit/core/catalogue'
import { outcomeInWords, type ToldLine, type ToldParcel } from '@outfit/core/parcels'
import { CAUTIONS } from '@outfit/core/fitting'
import { errorText } from '../data/api.ts'
import { parcelsApi, type CheckIn } from '../data/parcelsApi.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { BinSelect, isPlain } from '../drawer/BinSelect.tsx'
import { FindThing, type Named } from '../drawer/FindThing.tsx'
import { Button } from '../ui/Button.tsx'
import { FIELD } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'
import { useTyped } from '../ui/useTyped.ts'
import { WentOn } from '../ui/WentOn.tsx'
import { LinePicture } from './LinePicture.tsx'

const LAST_BIN = 'outfit.last-bin'
const NUMBER =
  'w-[64px] phone:w-full phone:text-left rounded-[8px] border border-rule bg-card px-1.5 py-0.5 text-right tabular-nums'

interface Counts {
  arrived: number
  damaged: number
  wrong: number
  /** null for the bin everything goes into. */
  bin: string | null
}

type Extra = Named & { qty: number }

interface Typed {
  on: string
  /** By line. */
  counts: Record<number, Counts>
  extras: Extra[]
}

/** Count what came, line by line; what is good lies in its bin afterwards, what is not is needed again. */
export function CheckInForm({
  parcel,
  catalogue,
  onLeave,
}: {
  parcel: ToldParcel
  catalogue: Catalogue
  onLeave: () => void
}) {
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const [checkIn, { error, isLoading }] = parcelsApi.endpoints.checkIn.useMutation()
  const [takeBack] = parcelsApi.endpoints.takeCheckInBack.useMutation()
  const [chosen, choose] = useState<string | null>(() => localStorage.getItem(LAST_BIN))
  // A parcel of a hundred lines is not counted in one go.
  const typed = useTyped<Typed>(
    `check-in ${parcel.id}`,
    () => ({
      on: new Date().toISOString().slice(0, 10),
      counts: Object.fromEntries(
        parcel.lines.map(({ line, qty }) => [line, { arrived: qty, damaged: 0, wrong: 0, bin: null }]),
      ),
      extras: [],
    }),
    ({ counts, extras, on }) =>
      typeof on === 'string' && Array.isArray(extras) && parcel.lines.every(({ line }) => counts?.[line]),
  )
  const { on, counts, extras } = typed.values
  const setExtras = (change: (before: Extra[]) => Extra[]) =>
    typed.set((before) => ({ ...before, extras: change(before.extras) }))
  const bins = (box?.bins ?? []).filter(isPlain)
  const bin = bins.find(({ code }) => code === chosen)?.code ?? bins[0]?.code ?? ''
  const set = (line: number, change: Partial<Counts>) =>
    typed.set((before) => ({
      ...before,
      counts: { ...before.counts, [line]: { ...before.counts[line]!, ...change } },
    }))
  const keep = async () => {
    localStorage.setItem(LAST_BIN, bin)
    const what: CheckIn = {
      on,
      lines: parcel.lines.map(({ line }) => ({ line, ...counts[line]!, bin: counts[line]!.bin ?? bin })),
      extras: extras.map(({ kind, code, qty }) => ({ kind, code, qty, condition: 'used', bin })),
    }
    const answer = await checkIn({ id: parcel.id, ...what })
    if (answer.error) return
    typed.forget()
    const { missing } = answer.data
    tell(
      missing > 0
        ? `Checked in; ${missing} ${missing === 1 ? 'part' : 'parts'} did not come as ordered and can be planned again.`
        : 'Checked in; everything came as ordered.',
      () => takeBack(parcel.id),
    )
    onLeave()
  }
  const addExtra = (thing: Named) =>
    setExtras((before) =>
      before.some(({ kind, code }) => kind === thing.kind && code === thing.code)
        ? before
        : [...before, { ...thing, qty: 1 }],
    )
  return (
    <form
      aria-label="Check in"
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      {typed.isBack && <WentOn onBeginAnew={typed.beginAnew} />}
      <div className="mt-2 grid grid-cols-[160px_1fr] gap-3 phone:grid-cols-1">
        <label className="font-semibold">
          Here on
          <input
            type="date"
            required
            value={on}
            onChange={({ target }) => typed.set((before) => ({ ...before, on: target.value }))}
            className={FIELD}
          />
        </label>
        <BinSelect label="Into the bin" bins={bins} value={bin} onPick={choose} />
      </div>
      <table className="rows-on-phone mt-3 w-full">
        <thead className="text-left text-[13px] text-soft">
          <tr>
            <th className="font-normal">line</th>
            <th className="w-[66px] font-normal">ordered</th>
            <th className="w-[76px] font-normal">good</th>
            <th className="w-[80px] font-normal">damaged</th>
            <th className="w-[76px] font-normal">wrong</th>
            <th className="w-[110px] font-normal">so it is</th>
            <th className="w-[170px] font-normal">bin</th>
          </tr>
        </thead>
        <tbody>
          {parcel.lines.map((line) => (
            <Line
              key={line.line}
              line={line}
              counts={counts[line.line]!}
              bins={bins}
              catalogue={catalogue}
              onChange={(change) => set(line.line, change)}
            />
          ))}
        </tbody>
      </table>
      <div className="mt-3 max-w-[520px]">
        <FindThing label="Came without being ordered" onPick={addExtra} />
        <ul className="mt-1">
          {extras.map((extra) => (
            <li key={`${extra.kind} ${extra.code}`} className="flex items-center gap-2 py-0.5">
              <input
                type="number"
                min={1}
                aria-label={`How many of ${extra.name}`}
                value={extra.qty}
                className={NUMBER}
                onChange={({ target }) =>
                  setExtras((before) =>
                    before.map((one) =>
                      one === extra ? { ...one, qty: Math.max(1, Math.floor(Number(target.value))) } : one,
                    ),
                  )
                }
              />
              <span className="min-w-0 flex-1 truncate">{extra.name}</span>
              <Button
                look="plain"
                aria-label={`Leave out ${extra.name}`}
                onClick={() => setExtras((before) => before.filter((one) => one !== extra))}
              >
                <X aria-hidden className="size-4" />
              </Button>
            </li>
          ))}
        </ul>
      </div>
      {error && (
        <p role="alert" className="mt-2 text-problem">
          {errorText(error)}
        </p>
      )}
      <p className="mt-3 flex flex-wrap items-center gap-3">
        <Button look="act" type="submit" disabled={isLoading || bin === ''}>
          Check in {parcel.lines.length === 1 ? 'the line' : `all ${parcel.lines.length} lines`}
        </Button>
        <Button onClick={onLeave}>Not yet</Button>
        <span className="text-[13px] text-soft">{CAUTIONS.small}</span>
      </p>
    </form>
  )
}

function Line({
  line,
  counts,
  bins,
  catalogue,
  onChange,
}: {
  line: ToldLine
  counts: Counts
  bins: readonly { code: string; name: string }[]
  catalogue: Catalogue
  onChange: (change: Partial<Counts>) => void
}) {
  const words = outcomeInWords({ ...line, ...counts })
  const field = (name: 'arrived' | 'damaged' | 'wrong', label: string) => (
    <td data-label={label.toLowerCase()}>
      <input
        type="number"
        inputMode="numeric"
        min={0}
        aria-label={`${label}: ${line.name}`}
        value={counts[name]}
        className={NUMBER}
        onChange={({ target }) => onChange({ [name]: Math.max(0, Math.floor(Number(target.value))) })}
      />
    </td>
  )
  return (
    <tr className="border-t border-rule">
      <td>
        <span className="flex items-center gap-2.5 py-1">
          <LinePicture line={line} catalogue={catalogue} />
          <span className="leading-tight">
            <strong className="block">{line.name}</strong>
            <span className="text-[13px] text-soft">{line.code}</span>
          </span>
        </span>
      </td>
      <td data-label="ordered" data-wide>
        {line.qty}
      </td>
      {field('arrived', 'Good')}
      {field('damaged', 'Damaged')}
      {field('wrong', 'Wrong')}
      <td data-wide className={words ? 'font-semibold text-problem' : 'text-good'}>
        {words || '✓ complete'}
      </td>
      <td data-wide data-label="bin">
        <select
          aria-label={`Bin for ${line.name}`}
          value={counts.bin ?? ''}
          onChange={({ target }) => onChange({ bin: target.value || null })}
          className="w-full rounded-[8px] border border-rule bg-card px-1.5 py-0.5"
        >
          <option value="">as above</option>
          {bins.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
        {line.kind !== 'part' && (
          <span className="block text-[13px] leading-tight text-soft">
            figures stand by themselves, the rest goes here
          </span>
        )}
      </td>
    </tr>
  )
}

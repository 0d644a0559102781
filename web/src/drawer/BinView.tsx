import { useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { partLabel, type Catalogue, type Level } from '@outfit/core/catalogue'
import { CAUTIONS } from '@outfit/core/fitting'
import { together, type BinContents, type Counted } from '@outfit/core/drawer'
import { errorText } from '../data/api.ts'
import { drawerApi, type Picked } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { useUndoKey } from '../ui/useUndoKey.ts'
import { isPlain } from './BinSelect.tsx'
import { BinHead } from './BinHead.tsx'
import { History } from './HistoryView.tsx'
import { BinRow } from './BinRow.tsx'
import { RemarkForm } from './RemarkForm.tsx'
import { StocktakeForm } from './StocktakeForm.tsx'
import { WhatToDo } from './WhatToDo.tsx'

const keyOf = ({ part, condition }: Pick<Counted, 'part' | 'condition'>) => `${condition} ${part}`

/** One bin: what lies in it, what can be done with it, and what happened to it. */
export function BinView() {
  const { bin: code = '' } = useParams()
  const { currentData: data, error, refetch } = drawerApi.endpoints.bin.useQuery(code)
  const catalogue = useKnownCatalogue(data)
  useUndoKey()
  if (error) {
    if ('status' in error && error.status === 404)
      return (
        <EmptyNote title="There is no such bin">
          The label may be older than the parts box.{' '}
          <Link to="/drawer" className="text-act underline">
            To the drawer
          </Link>
        </EmptyNote>
      )
    return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  }
  if (!data || !catalogue) return <Waiting>Opening the bin…</Waiting>
  return <Bin key={code} data={data} catalogue={catalogue} />
}

function Bin({ data, catalogue }: { data: BinContents; catalogue: Catalogue }) {
  const { bin, lying, wholes, donor, outfit, remarks } = data
  // Assemblies that are shown as their pieces, by code.
  const [apart, setApart] = useState<readonly string[]>([])
  const list = useRef<HTMLUListElement>(null)
  const show = (asPieces: readonly string[]) => {
    setApart(asPieces)
    // The button that was pressed goes with its row; whoever uses the keys goes on in the list.
    list.current?.focus()
  }
  const [picked, setPicked] = useState<Readonly<Record<string, number>>>({})
  const [counting, count] = useState(false)
  const [remarking, remark] = useState<string | null>(null)
  const labelOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const rows = useMemo(() => {
    const found = wholes.flatMap(({ part }) => (apart.includes(part) ? [] : (catalogue.parts.get(part) ?? [])))
    const lies = together(lying, found)
    return [...lies.wholes, ...lies.rest].sort((a, b) => labelOf(a.part).localeCompare(labelOf(b.part)))
    // oxlint-disable-next-line react/exhaustive-deps -- labels follow from the catalogue
  }, [lying, wholes, apart, catalogue])
  // What was moved meanwhile cannot stay picked.
  const chosen = rows.flatMap((one): Picked[] => {
    const qty = Math.min(one.qty, picked[keyOf(one)] ?? 0)
    return qty > 0 ? [{ part: one.part, condition: one.condition, from: bin.code, qty }] : []
  })
  const units = lying.reduce((sum, { qty }) => sum + qty, 0)
  const allPicked = rows.every((one) => (picked[keyOf(one)] ?? 0) >= one.qty)
  const asPieces = wholes.filter(({ part }) => apart.includes(part))
  return (
    <div className="mx-auto max-w-[1200px] px-3 pt-4 pb-40 sm:px-5">
      <BinHead data={data} units={units} />
      <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_360px]">
        <section aria-label="What lies in it">
          {outfit && (
            <p className="mb-2">
              This is{' '}
              <Link to={`/outfits/${outfit.id}/bench`} className="font-semibold text-act hover:underline">
                {outfit.name}
              </Link>{' '}
              as it stands built. Its parts go back to their bins when it is taken apart.{' '}
              <Link to={`/outfits/${outfit.id}/workbench`} className="text-act hover:underline">
                To the workbench
              </Link>
            </p>
          )}
          {counting ? (
            <StocktakeForm data={data} catalogue={catalogue} onDone={() => count(false)} />
          ) : (
            <>
              {rows.length > 0 && !outfit && (
                <div className="mb-2 flex flex-wrap items-center gap-2">
                  <label className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      checked={allPicked}
                      onChange={({ target }) =>
                        setPicked(target.checked ? Object.fromEntries(rows.map((one) => [keyOf(one), one.qty])) : {})
                      }
                    />
                    All
                  </label>
                  <WhatToDo
                    bin={bin.code}
                    hint="Say how many of what, then:"
                    chosen={chosen}
                    onDone={() => setPicked({})}
                  />
                  {!donor && (
                    <Button className="ml-auto" onClick={() => count(true)}>
                      Take stock…
                    </Button>
                  )}
                </div>
              )}
              {rows.length === 0 && (
                <p className="py-6 text-soft">
                  {donor
                    ? 'Nothing of it is left here.'
                    : 'Empty. Bring something in, or move parts here from another bin.'}
                  {!donor && !outfit && (
                    <Button look="plain" className="ml-2" onClick={() => count(true)}>
                      Count what lies in it…
                    </Button>
                  )}
                </p>
              )}
              {asPieces.length > 0 && (
                <p className="mb-2 flex flex-wrap items-center gap-x-2 text-soft">
                  Shown as pieces: {[...new Set(asPieces.map(({ part }) => labelOf(part)))].join(', ')}.
                  <Button look="plain" onClick={() => show([])}>
                    Put together
                  </Button>
                </p>
              )}
              <ul ref={list} tabIndex={-1} aria-label="Parts" className="border-t border-rule outline-none">
                {rows.map((one) => (
                  <BinRow
                    key={keyOf(one)}
                    one={one}
                    catalogue={catalogue}
                    label={labelOf(one.part)}
                    picked={picked[keyOf(one)] ?? 0}
                    onPick={outfit ? null : (qty) => setPicked({ ...picked, [keyOf(one)]: qty })}
                    onRemark={() => remark(one.part)}
                    onApart={() => show([...apart, one.part])}
                    remarks={remarks.filter((remarked) => remarked.part === one.part)}
                  />
                ))}
              </ul>
            </>
          )}
          {remarking && <RemarkForm part={remarking} title={labelOf(remarking)} onDone={() => remark(null)} />}
        </section>
        <aside className="space-y-5">
          {donor && <Donor data={data} catalogue={catalogue} labelOf={labelOf} />}
          <section aria-label="What happened to it">
            <h2 className="text-lg">What happened to it</h2>
            <History bin={bin.code} short />
          </section>
        </aside>
      </div>
    </div>
  )
}

/** What a figure still has and what it lacks, and taking it apart. */
function Donor({
  data,
  catalogue,
  labelOf,
}: {
  data: BinContents
  catalogue: Catalogue
  labelOf: (code: string) => string
}) {
  const { bin } = data
  const { name, pieces } = data.donor!
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const navigate = useNavigate()
  const [to, setTo] = useState('')
  const [level, setLevel] = useState<Level>(1)
  const [split] = drawerApi.endpoints.split.useMutation()
  const [reverse] = drawerApi.endpoints.reverseAct.useMutation()
  const [putTogether] = drawerApi.endpoints.putTogether.useMutation()
  const lacks = pieces.filter(({ there }) => !there)
  const bins = box?.bins.filter(isPlain) ?? []
  const apart = async () => {
    const answer = await split({ code: bin.code, to, level })
    if (answer.error) return tellError(answer.error)
    const { act } = answer.data
    tell(`${name} is taken apart.`, () => reverse(act))
    void navigate(`/drawer/bins/${to}`)
  }
  const again = async () => {
    const answer = await putTogether({ figure: bin.figure! })
    if (answer.error) return tellError(answer.error)
    const { act, bin: stand } = answer.data
    tell(`${name} stands together again.`, () => reverse(act))
    void navigate(`/drawer/bins/${stand}`)
  }
  return (
    <section aria-label="The figure" className="rounded-[12px] border border-rule bg-card p-3">
      <h2 className="text-lg">{name}</h2>
      <p className="text-soft">
        {lacks.length === 0
          ? 'Whole, as it was released.'
          : `Has ${pieces.length - lacks.length} of ${pieces.length} pieces; the others were given away.`}
      </p>
      <ul className="mt-1">
        {pieces.map(({ slot, part, there }, i) => (
          <li key={i} className={there ? '' : 'text-problem'}>
            <span aria-hidden>{there ? '✓' : '✕'}</span> {SLOT_FACTS[slot].label}:{' '}
            {catalogue.parts.has(part) ? (
              <Link to={`/parts/${part}/uses`} title="What it could do" className="hover:text-act hover:underline">
                {labelOf(part)}
              </Link>
            ) : (
              part
            )}
            {!there && <span className="sr-only"> is missing</span>}
          </li>
        ))}
      </ul>
      {lacks.length > 0 && (
        <Button className="mt-2" onClick={() => void again()}>
          Put one together from loose parts
        </Button>
      )}
      {lacks.length < pieces.length && bins.length > 0 && (
        <div className="mt-3 border-t border-rule pt-2">
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label="How far apart"
              value={level}
              onChange={({ target }) => setLevel(Number(target.value) as Level)}
              className="rounded-[8px] border border-rule bg-paper px-2 py-1"
            >
              <option value={1}>into headgear, head, torso, legs</option>
              <option value={2}>hands off too</option>
              <option value={3}>arms off too</option>
              <option value={4}>legs off the hips too</option>
            </select>
            <select
              aria-label="Into the bin"
              value={to}
              onChange={({ target }) => setTo(target.value)}
              className="rounded-[8px] border border-rule bg-paper px-2 py-1"
            >
              <option value="">into …</option>
              {bins.map(({ code, name: label }) => (
                <option key={code} value={code}>
                  {label}
                </option>
              ))}
            </select>
            <Button disabled={to === ''} onClick={() => void apart()}>
              Take it apart
            </Button>
          </div>
          {level >= 3 && <p className="mt-1 text-[13px] text-notice">{CAUTIONS.arms}</p>}
          <p className="mt-1 text-[13px] text-soft">{CAUTIONS.small}</p>
        </div>
      )}
    </section>
  )
}

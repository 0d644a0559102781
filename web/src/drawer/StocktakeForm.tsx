import { useState } from 'react'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { differencesOf, type BinContents, type Counted } from '@outfit/core/drawer'
import { errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { tell } from '../ui/tell.ts'
import { FindThing } from './FindThing.tsx'

interface StocktakeFormProps {
  data: BinContents
  catalogue: Catalogue
  onDone: () => void
}

/** Count what lies in a bin; the differences are shown before anything is written, and confirmed once. */
export function StocktakeForm({ data: { bin, lying }, catalogue, onDone }: StocktakeFormProps) {
  // What should lie there when the count began; should somebody move something meanwhile, the server refuses.
  const [expected] = useState<Counted[]>(lying)
  const [counted, setCounted] = useState<Counted[]>(lying)
  const [names, setNames] = useState<Record<string, string>>({})
  const [save, { error, isLoading }] = drawerApi.endpoints.stocktake.useMutation()
  const [reverse] = drawerApi.endpoints.reverseAct.useMutation()
  const differences = differencesOf(expected, counted)
  const labelOf = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : (names[code] ?? code)
  }
  const keep = async () => {
    const answer = await save({ code: bin.code, counted: counted.filter(({ qty }) => qty > 0), expected })
    if (answer.error) return
    const { act } = answer.data
    if (act) tell(`${bin.name} is set right.`, () => reverse(act))
    else tell(`${bin.name} holds what it should.`)
    onDone()
  }
  const setQty = (at: number, qty: number) =>
    setCounted(counted.map((one, i) => (i === at ? { ...one, qty: Math.max(0, Math.round(qty)) } : one)))
  return (
    <div>
      <h2 className="text-lg">How many are there?</h2>
      <ul aria-label="Counted" className="mt-1 border-t border-rule">
        {counted.map((one, i) => {
          const was = expected.find(({ part, condition }) => part === one.part && condition === one.condition)?.qty ?? 0
          return (
            <li key={`${one.condition} ${one.part}`} className="flex items-center gap-3 border-b border-rule py-1">
              <input
                type="number"
                min={0}
                value={one.qty}
                aria-label={`Counted of ${labelOf(one.part)}, ${one.condition}`}
                onChange={({ target }) => setQty(i, Number(target.value))}
                className="w-[72px] rounded-[8px] border border-rule bg-card px-2 py-0.5 text-right"
              />
              <span className="w-[88px] text-soft">expected {was}</span>
              <span className="min-w-0 flex-1 truncate">
                <strong>{labelOf(one.part)}</strong>{' '}
                <select
                  aria-label={`Condition of ${labelOf(one.part)}`}
                  value={one.condition}
                  disabled={was > 0}
                  onChange={({ target }) =>
                    setCounted(counted.map((c, at) => (at === i ? { ...c, condition: target.value as 'new' } : c)))
                  }
                  className="rounded-[6px] border border-transparent bg-transparent text-soft enabled:border-rule"
                >
                  <option value="used">used</option>
                  <option value="new">new</option>
                </select>
              </span>
              <span className={one.qty === was ? 'text-soft' : one.qty > was ? 'text-good' : 'text-problem'}>
                {one.qty === was ? 'as expected' : one.qty > was ? `${one.qty - was} more` : `${was - one.qty} fewer`}
              </span>
            </li>
          )
        })}
      </ul>
      <div className="mt-2 max-w-[480px]">
        <FindThing
          label="Something that should not be here"
          kinds={['part']}
          onPick={({ code, name }) => {
            setNames({ ...names, [code]: name })
            if (!counted.some(({ part, condition }) => part === code && condition === 'used'))
              setCounted([...counted, { part: code, condition: 'used', qty: 1 }])
          }}
        />
      </div>
      {error && (
        <p role="alert" className="mt-2 text-problem">
          {errorText(error)}
        </p>
      )}
      <div className="mt-3 flex items-center gap-3">
        <Button look="act" disabled={isLoading} onClick={() => void keep()}>
          {differences.length === 0
            ? 'All as expected'
            : `Set it right: ${differences.length} ${differences.length === 1 ? 'difference' : 'differences'}`}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </div>
  )
}

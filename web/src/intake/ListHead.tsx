import { useRef } from 'react'
import { ENCODINGS, LIST_KINDS, type Choices, type Encoding, type ListKind, type LookedAt } from '@outfit/core/intake'
import { counted } from '../ui/counted.ts'
import { Button } from '../ui/Button.tsx'
import { KIND_WORDS } from './listWords.ts'

/** How sure the kind of a list has to be for nobody to be asked. */
const SURE = 0.5

const PICK = 'rounded-[8px] border border-rule bg-card px-2 py-1 text-[14px]'

interface ListHeadProps {
  list: LookedAt
  isFetching: boolean
  choose: (more: Partial<Choices>) => void
  setEncoding: (encoding: Encoding) => void
  setSheet: (sheet: number) => void
}

/** What a list is taken for, asked where it is not clear, in which letters, and which sheet of a workbook; each can be said otherwise. */
export function ListHead({ list, isFetching, choose, setEncoding, setSheet }: ListHeadProps) {
  const kinds = useRef<HTMLSelectElement>(null)
  const answer = (kind: ListKind) => () => {
    choose({ kind })
    // The question goes, and with it the place of whoever answered by keys.
    kinds.current?.focus()
  }
  return (
    <>
      <h1 className="text-2xl">
        {KIND_WORDS[list.kind]}, from {list.name}
      </h1>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1.5 text-[14px] text-soft">
        <span>
          {counted(list.sum.rows + list.left.length + new Set(list.faults.map(({ line }) => line)).size, 'row')}
          {isFetching && ' · reading again…'}
        </span>
        <label>
          It is{' '}
          <select
            ref={kinds}
            className={PICK}
            value={list.kind}
            onChange={({ target }) => choose({ kind: target.value as ListKind })}
          >
            {LIST_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KIND_WORDS[kind].toLowerCase()}
              </option>
            ))}
          </select>
        </label>
        {list.encoding && (
          <label>
            Letters{' '}
            <select
              className={PICK}
              value={list.encoding}
              onChange={({ target }) => setEncoding(target.value as Encoding)}
            >
              {Object.entries(ENCODINGS).map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        {list.sheets.length > 1 && (
          <label>
            Sheet{' '}
            <select className={PICK} value={list.sheet} onChange={({ target }) => setSheet(Number(target.value))}>
              {list.sheets.map((name, i) => (
                <option key={i} value={i}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {list.sure < SURE && list.columns.some(({ field }) => field === 'price') && (
        <div
          role="group"
          aria-label="What this list is"
          className="mt-3 flex flex-wrap items-center gap-2 rounded-[10px] bg-band px-3 py-2 text-[15px]"
        >
          <span className="mr-1">It does not say what its prices are. They are</span>
          <Button onClick={answer('owned')}>what I paid, I own these</Button>
          <Button onClick={answer('prices')}>what a seller asks</Button>
        </div>
      )}
    </>
  )
}

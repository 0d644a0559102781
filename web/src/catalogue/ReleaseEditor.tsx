import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { RELEASE_KINDS } from '@outfit/core/tables'
import type { Placement } from '@outfit/core/catalogue'
import { homeCurrency, decimalMoney, formatMoney, readMoney } from '@outfit/core/market'
import { api, errorText, type Content } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { EntryForm } from './EntryForm.tsx'
import { box, Field, TextField } from './fields.tsx'
import { PartPicker } from './PartPicker.tsx'
import { PhotoField } from './PhotoField.tsx'

interface Values {
  name: string
  kind: string
  year: number
  /** As people write it: 34.99. */
  price: string
  currency: string
  inProduction: boolean
  photo: string | null
  contents: Content[]
  cases: Content[]
}

/** The retail price in minor units, 0 where nobody knows it; throws a sentence that names the field. */
function priceOf({ price, currency }: Pick<Values, 'price' | 'currency'>): number {
  if (price.trim() === '') return 0
  try {
    return readMoney(price, currency)
  } catch (error) {
    throw new Error(`Retail price: ${(error as Error).message}.`, { cause: error })
  }
}

/** A release: what it is, what it cost in the shop, and exactly what is in it. */
export function ReleaseEditor() {
  const { code = 'new' } = useParams()
  const { data, error, refetch } = api.endpoints.release.useQuery(code, { skip: code === 'new' })
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data && code !== 'new') return <Waiting>Fetching the release…</Waiting>
  const initial: Values = data
    ? {
        name: data.name,
        kind: data.kind,
        year: data.year,
        price: data.price === 0 ? '' : decimalMoney(data.price, data.currency),
        currency: data.currency,
        inProduction: data.inProduction,
        photo: data.photo,
        contents: data.contents,
        cases: data.cases,
      }
    : {
        name: '',
        kind: 'box',
        year: new Date().getFullYear(),
        price: '',
        currency: homeCurrency(),
        inProduction: true,
        photo: null,
        contents: [],
        cases: [],
      }
  return (
    <EntryForm<Values>
      key={code}
      table="releases"
      noun="release"
      code={data ? code : null}
      initial={initial}
      toBody={(values) => ({
        ...values,
        price: priceOf(values),
        // Only a blind pack leaves to chance what is in it.
        cases: values.kind === 'blind pack' ? values.cases : [],
      })}
      after={(saved) => `/catalogue/releases/${saved}`}
      preview={(values) => <Preview values={values} figures={data?.figures ?? []} />}
    >
      {({ register, setValue, watch, formState: { errors } }) => (
        <>
          <div className="grid gap-4 sm:grid-cols-[1fr_150px_100px]">
            <TextField label="Name" {...register('name')} error={errors.name?.message} />
            <Field label="Kind" error={errors.kind?.message}>
              {(ids) => (
                <select {...ids} {...register('kind')} className={box}>
                  {RELEASE_KINDS.map((kind) => (
                    <option key={kind}>{kind}</option>
                  ))}
                </select>
              )}
            </Field>
            <TextField
              label="Year"
              type="number"
              {...register('year', { valueAsNumber: true })}
              error={errors.year?.message}
            />
          </div>
          <div className="grid grid-cols-[minmax(0,1fr)_100px] items-end gap-4 sm:grid-cols-[150px_100px_1fr]">
            <TextField
              label="Retail price"
              inputMode="decimal"
              placeholder="not known"
              {...register('price')}
              error={errors.price?.message}
            />
            <TextField label="Currency" maxLength={3} {...register('currency')} error={errors.currency?.message} />
            <label className="flex items-center gap-2 pb-2">
              <input type="checkbox" {...register('inProduction')} className="size-4 accent-(--act)" /> still in
              production
            </label>
          </div>
          {watch('kind') === 'blind pack' && (
            <>
              {data && data.cases.length > 0 && (
                <Link to={`/packs/${data.code}`} className="font-semibold text-act underline">
                  How many packs for the figures you want?
                </Link>
              )}
              <Contents
                title="What stands in a full case"
                about="each pack brings one of these by chance"
                rows={watch('cases')}
                figuresOnly
                onChange={(rows) => setValue('cases', rows, { shouldDirty: true })}
              />
            </>
          )}
          <Contents
            title={watch('kind') === 'blind pack' ? 'What is in every pack besides' : 'What is in it'}
            about=""
            rows={watch('contents')}
            onChange={(rows) => setValue('contents', rows, { shouldDirty: true })}
          />
          <PhotoField label="Photo" value={watch('photo')} onChange={(photo) => setValue('photo', photo)} />
        </>
      )}
    </EntryForm>
  )
}

interface ContentsProps {
  title: string
  about: string
  rows: readonly Content[]
  figuresOnly?: boolean
  onChange: (rows: Content[]) => void
}

function Contents({ title, about, rows, figuresOnly = false, onChange }: ContentsProps) {
  const [text, setText] = useState('')
  const { data: figures = [] } = api.endpoints.figures.useQuery(text)
  const catalogue = useAppSelector(selectCatalogue)
  const add = (kind: Content['kind'], code: string) => {
    const known = rows.find((row) => row.kind === kind && row.code === code)
    onChange(
      known
        ? rows.map((row) => (row === known ? { ...row, qty: row.qty + 1 } : row))
        : [...rows, { kind, code, qty: 1 }],
    )
  }
  return (
    <section aria-label={title}>
      <h2 className="border-b border-rule text-lg">
        {title} <span className="ml-1 font-sans text-sm font-normal tracking-normal text-soft">{about}</span>
      </h2>
      <ul>
        {rows.map((row) => (
          <li key={`${row.kind} ${row.code}`} className="flex items-center gap-2 border-b border-rule py-1">
            <input
              type="number"
              min={1}
              aria-label={`How many of ${row.code}`}
              value={row.qty}
              onChange={(event) =>
                onChange(
                  rows.map((old) =>
                    old === row ? { ...row, qty: Math.max(1, Number(event.target.value) || 1) } : old,
                  ),
                )
              }
              className={`${box} !w-[72px]`}
            />
            <span className="min-w-0 flex-1 truncate">
              {row.kind === 'figure' ? (
                <FigureName code={row.code} />
              ) : (
                <Link to={`/parts/${row.code}`} className="hover:text-act hover:underline">
                  {catalogue?.parts.get(row.code)?.name ?? row.code}
                </Link>
              )}{' '}
              <span className="text-soft">
                {row.kind} {row.code}
              </span>
            </span>
            <button
              type="button"
              aria-label={`Take ${row.code} out`}
              className="rounded-[7px] p-1 text-act hover:bg-band"
              onClick={() => onChange(rows.filter((old) => old !== row))}
            >
              <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <input
          type="search"
          aria-label="Find a figure"
          placeholder="Find a figure"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className={`${box} !w-[170px]`}
        />
        <select
          aria-label="Add a figure"
          value=""
          onChange={(event) => event.target.value && add('figure', event.target.value)}
          className={`${box} !w-[220px]`}
        >
          <option value="">Add a figure…</option>
          {figures.map(({ code, name, year }) => (
            <option key={code} value={code}>
              {name}, {year}
            </option>
          ))}
        </select>
        {!figuresOnly && (
          <PartPicker title="A loose part" onPick={({ part }) => add('part', part.code)}>
            <Button type="button">
              <Plus aria-hidden className="size-4" /> Add a loose part
            </Button>
          </PartPicker>
        )}
      </div>
    </section>
  )
}

function FigureName({ code }: { code: string }) {
  const { data } = api.endpoints.figure.useQuery(code)
  return (
    <Link to={`/catalogue/figures/${code}`} className="hover:text-act hover:underline">
      {data?.name ?? '…'}
    </Link>
  )
}

const SMALL = { x: -92, y: -336, width: 184, height: 352 }

function Preview({
  values,
  figures,
}: {
  values: Values
  figures: { code: string; name: string; worn: Placement[] }[]
}) {
  const rows = [...values.cases, ...values.contents].filter(({ kind }) => kind === 'figure')
  const packs = values.cases.reduce((sum, { qty }) => sum + qty, 0)
  let price = ''
  try {
    const minor = priceOf(values)
    if (minor > 0) price = formatMoney(minor, values.currency)
  } catch {
    // Half typed.
  }
  return (
    <div className="pattern-paper rounded-[10px] border border-rule p-3">
      <p className="font-head text-lg font-bold">{values.name || 'Unnamed'}</p>
      <p className="text-soft">
        {[values.kind, values.year, price].filter(Boolean).join(', ')}
        {values.kind === 'blind pack' && packs > 0 && `, ${packs} packs a case`}
      </p>
      <ul className="mt-2 grid grid-cols-4 gap-1">
        {rows.map((row) => (
          <DrawnFigure key={row.code} row={row} known={figures.find((figure) => figure.code === row.code)?.worn} />
        ))}
      </ul>
      {rows.length === 0 && <p className="text-soft">No figure in it yet.</p>}
    </div>
  )
}

function DrawnFigure({ row, known }: { row: Content; known: Placement[] | undefined }) {
  const { data } = api.endpoints.figure.useQuery(row.code)
  return (
    <li className="text-center text-[12.5px] leading-tight">
      <Figure
        placements={known ?? data?.worn ?? []}
        label={data?.name ?? row.code}
        window={SMALL}
        className="h-[104px] w-full"
      />
      {row.qty} × {data?.name ?? row.code}
    </li>
  )
}

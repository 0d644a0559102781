import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import {
  catalogueOf,
  isAssembled,
  printFits,
  printKindOf,
  SLOTS,
  TAKING_APART,
  type Component,
  type Part,
  type PartKind,
  type Print,
  type Slot,
} from '@outfit/core/catalogue'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { EntryForm } from './EntryForm.tsx'
import { box, ColourField, Field, MouldOptions, TextField } from './fields.tsx'
import { livePart, LivePicture } from './LivePicture.tsx'
import { PartPicker } from './PartPicker.tsx'
import { PhotoField } from './PhotoField.tsx'

type Values = Omit<Part, 'code'>

const LEVELS = ['as sold', 'into assemblies', 'hands off', 'arms off (stress)', 'legs off the hips', 'altered for good']

/** A part of one's own: a mould in colours with a print, a photo, and what it comes apart into. */
export function PartEditor() {
  const { code = 'new' } = useParams()
  const [search] = useSearchParams()
  const basics = api.endpoints.basics.useQuery()
  const detail = api.endpoints.partDetail.useQuery(code, { skip: code === 'new' })
  const asked = api.endpoints.print.useQuery(search.get('print') ?? '', { skip: !search.get('print') })
  const error = basics.error ?? detail.error
  if (error) return <ErrorNote onRetry={() => void detail.refetch()}>{errorText(error)}</ErrorNote>
  if (!basics.data || (code !== 'new' && !detail.data) || (search.get('print') && !asked.data))
    return <Waiting>Fetching the part…</Waiting>
  const { moulds, colours } = basics.data
  const start = moulds.find(({ kind }) => kind === (asked.data?.kind ?? 'headgear')) ?? moulds[0]
  const initial: Values = detail.data
    ? valuesOf(detail.data.part)
    : {
        name: asked.data?.name ?? '',
        mould: start?.code ?? '',
        colours: [
          colours.find(({ family }) => family === (asked.data?.kind === 'head' ? 'skin' : 'brown'))?.code ?? '',
        ],
        print: asked.data?.code ?? null,
        year: new Date().getFullYear(),
        photo: null,
        components: [],
      }
  return (
    <EntryForm<Values>
      key={code}
      table="parts"
      noun="part"
      code={detail.data ? code : null}
      initial={initial}
      toBody={(values) => ({
        ...values,
        year: Number.isFinite(values.year) ? values.year : null,
        colours: values.colours.filter(Boolean),
      })}
      after={(saved) => `/parts/${saved}`}
      preview={(values) => <Preview values={values} />}
    >
      {({ register, setValue, watch, formState: { errors } }) => {
        const [mould, chosen, components] = [watch('mould'), watch('colours'), watch('components')]
        const kind = moulds.find((m) => m.code === mould)?.kind ?? 'headgear'
        return (
          <>
            <div className="grid grid-cols-[minmax(0,1fr)_120px] gap-4">
              <TextField label="Name" {...register('name')} error={errors.name?.message} />
              <TextField
                label="Year"
                type="number"
                {...register('year', { valueAsNumber: true })}
                error={errors.year?.message}
              />
            </div>
            <Field label="Mould" error={errors.mould?.message}>
              {(ids) => (
                <select
                  {...ids}
                  value={mould}
                  onChange={(event) => {
                    const next = moulds.find((m) => m.code === event.target.value)?.kind ?? kind
                    setValue('mould', event.target.value)
                    if (!printFits(kind, next)) setValue('print', null)
                  }}
                  className={box}
                >
                  <MouldOptions moulds={moulds} />
                </select>
              )}
            </Field>
            <div className="grid grid-cols-3 gap-4">
              {['Main colour', 'Second colour', 'Third colour'].map((label, i) => (
                <ColourField
                  key={label}
                  label={label}
                  {...(i > 0 ? { none: 'none' } : {})}
                  value={chosen[i] ?? ''}
                  onChange={(value) => {
                    const next = [...chosen]
                    next[i] = value
                    setValue('colours', next)
                  }}
                  error={i === 0 ? (errors.colours as { message?: string } | undefined)?.message : undefined}
                />
              ))}
            </div>
            <PrintField
              kind={printKindOf(kind)}
              value={watch('print')}
              onChange={(print) => setValue('print', print)}
              error={errors.print?.message}
            />
            <PhotoField label="Photo" value={watch('photo')} onChange={(photo) => setValue('photo', photo)} />
            {(isAssembled(kind) || components.length > 0) && (
              <Components
                components={components}
                onChange={(next) => setValue('components', next)}
                error={(errors.components as { message?: string } | undefined)?.message}
              />
            )}
          </>
        )
      }}
    </EntryForm>
  )
}

const valuesOf = ({ code: _code, ...values }: Part): Values => values

function PrintField({
  kind,
  value,
  onChange,
  error,
}: {
  kind: PartKind
  value: string | null
  onChange: (code: string | null) => void
  error: string | undefined
}) {
  const [text, setText] = useState('')
  const { data: found = [] } = api.endpoints.prints.useQuery({ kind, text })
  const current = useAppSelector((state) => state.catalogue.prints[value ?? ''])
  const options: Print[] = current && !found.some(({ code }) => code === current.code) ? [current, ...found] : found
  return (
    <div className="grid grid-cols-[1fr_180px_auto] items-end gap-3">
      <Field label="Print" error={error}>
        {(ids) => (
          <select
            {...ids}
            value={value ?? ''}
            onChange={(event) => onChange(event.target.value || null)}
            className={box}
          >
            <option value="">plain</option>
            {options.map(({ code, name }) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <TextField
        label="Find a print"
        type="search"
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="Name"
      />
      <Link
        to={value ? `/catalogue/prints/${value}` : `/catalogue/prints/new?kind=${kind}`}
        className="pb-2 font-semibold text-act hover:underline"
      >
        {value ? 'Change the print' : 'Own print'}
      </Link>
    </div>
  )
}

function Components({
  components,
  onChange,
  error,
}: {
  components: readonly Component[]
  onChange: (next: Component[]) => void
  error: string | undefined
}) {
  const catalogue = useAppSelector(selectCatalogue)
  const set = (at: number, change: Partial<Component>) =>
    onChange(components.map((old, i) => (i === at ? { ...old, ...change } : old)))
  const free = SLOTS.find((slot) => !components.some((component) => component.slot === slot)) ?? 'torso'
  return (
    <section aria-label="Comes apart into">
      <h2 className="border-b border-rule text-lg">Comes apart into</h2>
      {error && <p className="text-problem">{error}</p>}
      <ul>
        {components.map(({ slot, part: code, level }, i) => (
          <li key={i} className="flex items-center gap-2 border-b border-rule py-1.5">
            <select
              aria-label="Slot"
              value={slot}
              onChange={(event) =>
                set(i, { slot: event.target.value as Slot, level: TAKING_APART[event.target.value as Slot] ?? 1 })
              }
              className={`${box} !w-[140px]`}
            >
              {SLOTS.map((one) => (
                <option key={one} value={one}>
                  {SLOT_FACTS[one].label}
                </option>
              ))}
            </select>
            <span className="min-w-0 flex-1 truncate">
              {catalogue?.parts.get(code)?.name} <span className="text-soft">{code}</span>
            </span>
            <select
              aria-label="Taken apart"
              value={level}
              onChange={(event) => set(i, { level: Number(event.target.value) as Component['level'] })}
              className={`${box} !w-[170px]`}
            >
              {LEVELS.map((words, n) => (
                <option key={words} value={n}>
                  {n}: {words}
                </option>
              ))}
            </select>
            <button
              type="button"
              aria-label={`Take ${SLOT_FACTS[slot].label} away`}
              className="rounded-[7px] p-1 text-act hover:bg-band"
              onClick={() => onChange(components.filter((_, at) => at !== i))}
            >
              <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ul>
      <PartPicker
        title="A part it comes apart into"
        onPick={({ part }) =>
          onChange([...components, { slot: free, part: part.code, level: TAKING_APART[free] ?? 1 }])
        }
      >
        <Button type="button" className="mt-2">
          <Plus aria-hidden className="size-4" /> Add a part
        </Button>
      </PartPicker>
      <p className="mt-1 text-[13px] text-soft">
        Pulling arms stresses a torso for good: warm it in the hand, pull straight, never pry.
      </p>
    </section>
  )
}

function Preview({ values }: { values: Values }) {
  const { data } = api.endpoints.basics.useQuery()
  const known = useAppSelector(selectCatalogue)
  if (!data || !known) return null
  if (values.components.length > 0) {
    const parts = values.components.flatMap(({ part }) => known.parts.get(part) ?? [])
    const catalogue = catalogueOf({ ...data, prints: [...known.prints.values()], parts })
    const placements = values.components.map(({ slot, part }) => ({ slot, part, order: 0, turned: false }))
    return <LivePicture placements={placements} catalogue={catalogue} name={values.name} />
  }
  const live = livePart(
    { ...values, colours: values.colours.filter(Boolean) },
    { ...data, prints: [...known.prints.values()] },
  )
  return <LivePicture placements={live.placements} catalogue={live.catalogue} name={values.name} />
}

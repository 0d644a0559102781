import { X } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { SLOT_FACTS, SPINE, takeOff, wear } from '@outfit/core/anatomy'
import {
  mainColour,
  mouldOf,
  SHELF_KEYS,
  SHELVES,
  type Part,
  type Placement,
  type ShelfKey,
  type Slot,
} from '@outfit/core/catalogue'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { EntryForm } from './EntryForm.tsx'
import { TextField } from './fields.tsx'
import { LivePicture } from './LivePicture.tsx'
import { PartPicker } from './PartPicker.tsx'
import { PhotoField } from './PhotoField.tsx'

interface Values {
  name: string
  year: number
  photo: string | null
  worn: Placement[]
}

/** Shelves whose parts fit a row of the spine. */
function shelvesFor(slots: readonly Slot[]): ShelfKey[] {
  const kinds = slots.flatMap((slot) => SLOT_FACTS[slot].accepts)
  return SHELF_KEYS.filter((key) => SHELVES[key].kinds.some((kind) => kinds.includes(kind)))
}

/** A released figure, slot by slot. */
export function FigureEditor() {
  const { code = 'new' } = useParams()
  const { data, error, refetch } = api.endpoints.figure.useQuery(code, { skip: code === 'new' })
  const catalogue = useAppSelector(selectCatalogue)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!catalogue || (!data && code !== 'new')) return <Waiting>Fetching the figure…</Waiting>
  const initial: Values = data
    ? {
        name: data.name,
        year: data.year,
        photo: data.photo,
        worn: data.worn.map(({ slot, part, order, turned }) => ({ slot, part, order, turned })),
      }
    : { name: '', year: new Date().getFullYear(), photo: null, worn: [] }
  return (
    <EntryForm<Values>
      key={code}
      table="figures"
      noun="figure"
      code={data ? code : null}
      initial={initial}
      toBody={({ worn, ...rest }) => {
        if (worn.length === 0) throw new Error('The figure wears nothing yet. Give it at least one part.')
        return { ...rest, worn: worn.map(({ slot, part, order }) => ({ slot, part, order })) }
      }}
      after={(saved) => `/catalogue/figures/${saved}`}
      preview={(values) => (
        <>
          <LivePicture placements={values.worn} catalogue={catalogue} name={values.name} />
          {data && (
            <>
              <h2 className="mt-4 text-base">Comes in</h2>
              {data.releases.length === 0 && <p className="text-soft">No release yet.</p>}
              <ul>
                {data.releases.map((release) => (
                  <li key={release.code}>
                    <Link to={`/catalogue/releases/${release.code}`} className="hover:text-act hover:underline">
                      {release.name}, {release.year}
                    </Link>{' '}
                    <span className="text-soft">{release.kind}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
    >
      {({ register, setValue, watch, formState: { errors } }) => {
        const worn = watch('worn')
        const put = (part: Part, slots: readonly Slot[]) => {
          const { kind } = mouldOf(catalogue, part)
          const fitting = slots.filter((slot) => SLOT_FACTS[slot].accepts.includes(kind))
          const slot = fitting.find((one) => !worn.some((p) => p.slot === one)) ?? fitting[0]
          if (slot) setValue('worn', wear(worn, slot, part, catalogue), { shouldDirty: true })
        }
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
            <ul aria-label="Worn" className="border-t border-rule">
              {SPINE.map(({ key, label, slots }) => {
                const own = worn.filter(({ slot }) => slots.includes(slot))
                return (
                  <li key={key} className="flex items-start gap-3 border-b border-rule py-1.5">
                    <span className="w-[110px] shrink-0 pt-1 text-soft">{label}</span>
                    <span className="min-w-0 flex-1 pt-1">
                      {own.length === 0 && <span className="text-soft">nothing</span>}
                      {own.map((placement) => {
                        const part = catalogue.parts.get(placement.part)
                        return (
                          <span key={`${placement.slot} ${placement.order}`} className="flex items-center gap-1.5">
                            <Swatch colour={part && mainColour(catalogue, part)} />
                            <span className="truncate">{part?.name ?? placement.part}</span>
                            {slots.length > 1 && (
                              <span className="text-[13px] text-soft">
                                {SLOT_FACTS[placement.slot].label.toLowerCase()}
                              </span>
                            )}
                            <button
                              type="button"
                              aria-label={`Take off ${part?.name ?? placement.part}, ${SLOT_FACTS[placement.slot].label}`}
                              className="inline-flex size-6 items-center justify-center rounded-[7px] text-act hover:bg-band"
                              onClick={() =>
                                setValue('worn', takeOff(worn, placement.slot, placement.order), { shouldDirty: true })
                              }
                            >
                              <X aria-hidden className="size-3.5" />
                            </button>
                          </span>
                        )
                      })}
                    </span>
                    <PartPicker title={label} shelves={shelvesFor(slots)} onPick={({ part }) => put(part, slots)}>
                      <Button type="button" look="plain" className="!py-0.5" aria-label={`Choose for ${label}`}>
                        Choose
                      </Button>
                    </PartPicker>
                  </li>
                )
              })}
            </ul>
            <PhotoField label="Photo" value={watch('photo')} onChange={(photo) => setValue('photo', photo)} />
          </>
        )
      }}
    </EntryForm>
  )
}

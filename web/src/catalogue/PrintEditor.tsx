import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react'
import { useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { PART_KINDS, type Layer, type PartKind, type Print } from '@outfit/core/catalogue'
import { LAYER_KINDS, layerSettings } from '@outfit/core/mannequin'
import { api, errorText } from '../data/api.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { EntryForm } from './EntryForm.tsx'
import { box, ColourField, Field, TextField, traitsFromText, traitsToText } from './fields.tsx'
import { LivePicture, livePart } from './LivePicture.tsx'

interface Values {
  name: string
  kind: PartKind
  front: Layer[]
  back: Layer[]
  traits: string
}

/** Kinds of part that can be printed on, as the mannequin draws it. */
const PRINTED = PART_KINDS.filter((kind) => LAYER_KINDS[kind] !== undefined)

const spoken = (word: string) =>
  word
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/-/g, ' ')
    .toLowerCase()

/** A recipe of layers, bottom first, with the doll wearing it as it grows. */
export function PrintEditor() {
  const { code = 'new' } = useParams()
  const [search] = useSearchParams()
  const { data, error, refetch } = api.endpoints.print.useQuery(code, { skip: code === 'new' })
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data && code !== 'new') return <Waiting>Fetching the print…</Waiting>
  const asked = PRINTED.find((kind) => kind === search.get('kind'))
  const initial: Values = data
    ? { name: data.name, kind: data.kind, front: data.front, back: data.back, traits: traitsToText(data.traits) }
    : { name: '', kind: asked ?? 'torso', front: [], back: [], traits: '' }
  return (
    <EntryForm<Values>
      key={code}
      table="prints"
      noun="print"
      code={data ? code : null}
      initial={initial}
      toBody={({ traits, ...rest }) => ({ ...rest, traits: traitsFromText(traits) })}
      after={(saved) => (data ? `/catalogue/prints/${saved}` : `/catalogue/parts/new?print=${saved}`)}
      preview={(values) => <Preview values={values} />}
    >
      {({ register, setValue, watch, formState: { errors } }) => {
        const kind = watch('kind')
        return (
          <>
            <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,180px)] gap-4">
              <TextField label="Name" {...register('name')} error={errors.name?.message} />
              <Field label="Printed on" error={errors.kind?.message}>
                {(ids) => (
                  <select
                    {...ids}
                    value={kind}
                    onChange={(event) => {
                      const next = event.target.value as PartKind
                      const known = (layer: Layer) => LAYER_KINDS[next]?.includes(layer.kind)
                      setValue('kind', next)
                      setValue('front', watch('front').filter(known))
                      setValue('back', watch('back').filter(known))
                    }}
                    className={box}
                  >
                    {PRINTED.map((one) => (
                      <option key={one} value={one}>
                        {spoken(one)}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </div>
            {(['front', 'back'] as const).map((side) => (
              <Layers
                key={side}
                side={side}
                kind={kind}
                layers={watch(side)}
                onChange={(layers) => setValue(side, layers, { shouldDirty: true })}
                error={(errors[side] as { message?: string } | undefined)?.message}
              />
            ))}
            <Field
              label="Traits"
              hint="one a line, as key=value: garment, sleeve, brows, runsOn, style …"
              error={errors.traits?.message}
            >
              {(ids) => (
                <textarea {...ids} {...register('traits')} rows={3} className={`${box} font-mono text-[13px]`} />
              )}
            </Field>
          </>
        )
      }}
    </EntryForm>
  )
}

const tool = 'rounded-[7px] p-1 text-act enabled:hover:bg-band disabled:opacity-35'

interface LayersProps {
  side: 'front' | 'back'
  kind: PartKind
  layers: readonly Layer[]
  onChange: (layers: Layer[]) => void
  error: string | undefined
}

function Layers({ side, kind, layers, onChange, error }: LayersProps) {
  const [next, setNext] = useState('')
  const kinds = LAYER_KINDS[kind] ?? []
  const chosen = kinds.includes(next) ? next : (kinds[0] ?? '')
  const set = (at: number, layer: Layer) => onChange(layers.map((old, i) => (i === at ? layer : old)))
  const move = (at: number, by: number) => {
    const moved = [...layers]
    moved.splice(at + by, 0, ...moved.splice(at, 1))
    onChange(moved)
  }
  return (
    <section aria-label={`Layers, ${side}`}>
      <h2 className="border-b border-rule text-lg">
        {side === 'front' ? 'Front' : 'Back'}
        <span className="ml-2 font-sans text-sm font-normal tracking-normal text-soft">
          {layers.length === 0 ? 'no layers' : `${layers.length}, the lowest first`}
        </span>
      </h2>
      {error && <p className="text-problem">{error}</p>}
      <ol>
        {layers.map((layer, i) => {
          const settings = layerSettings(kind, layer.kind)
          return (
            <li key={i} className="flex items-end gap-3 border-b border-rule py-1.5">
              <span className="w-[104px] shrink-0 pb-1.5 font-semibold">{spoken(layer.kind)}</span>
              <span className="grid min-w-0 flex-1 grid-cols-3 gap-2">
                {settings?.colours.map((setting) => (
                  <ColourField
                    key={setting}
                    label={spoken(setting)}
                    none="as usual"
                    value={String(layer[setting] ?? '')}
                    onChange={(value) => {
                      const { [setting]: _gone, ...rest } = layer
                      set(i, (value ? { ...rest, [setting]: value } : rest) as Layer)
                    }}
                  />
                ))}
                {Object.entries(settings?.words ?? {}).map(([setting, choices]) => (
                  <Field key={setting} label={spoken(setting)}>
                    {(ids) => (
                      <select
                        {...ids}
                        value={String(layer[setting] ?? '')}
                        onChange={(event) => set(i, { ...layer, [setting]: event.target.value })}
                        className={box}
                      >
                        {layer[setting] === undefined && <option value="">as usual</option>}
                        {choices.map((choice) => (
                          <option key={choice}>{choice}</option>
                        ))}
                      </select>
                    )}
                  </Field>
                ))}
              </span>
              <span className="flex shrink-0 pb-1">
                <button
                  type="button"
                  className={tool}
                  disabled={i === 0}
                  onClick={() => move(i, -1)}
                  aria-label={`${spoken(layer.kind)}: one layer down`}
                >
                  <ArrowUp aria-hidden className="size-4" />
                </button>
                <button
                  type="button"
                  className={tool}
                  disabled={i === layers.length - 1}
                  onClick={() => move(i, 1)}
                  aria-label={`${spoken(layer.kind)}: one layer up`}
                >
                  <ArrowDown aria-hidden className="size-4" />
                </button>
                <button
                  type="button"
                  className={tool}
                  onClick={() => onChange(layers.filter((_, at) => at !== i))}
                  aria-label={`Take ${spoken(layer.kind)} away`}
                >
                  <X aria-hidden className="size-4" />
                </button>
              </span>
            </li>
          )
        })}
      </ol>
      <div className="mt-2 flex items-center gap-2">
        <select
          aria-label={`Next layer, ${side}`}
          value={chosen}
          onChange={(event) => setNext(event.target.value)}
          className={`${box} !w-[180px]`}
        >
          {kinds.map((one) => (
            <option key={one} value={one}>
              {spoken(one)}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="inline-flex items-center gap-1 rounded-[8px] px-2 py-1 font-semibold text-act hover:bg-band"
          onClick={() => chosen && onChange([...layers, { kind: chosen }])}
        >
          <Plus aria-hidden className="size-4" /> Lay it on top
        </button>
      </div>
    </section>
  )
}

function Preview({ values }: { values: Values }) {
  const { data } = api.endpoints.basics.useQuery()
  const moulds = data?.moulds ?? []
  const colours = data?.colours ?? []
  const [base, setBase] = useState('')
  const [mouldCode, setMould] = useState('')
  const fitting = moulds.filter(({ kind }) => kind === values.kind)
  const mould = fitting.find(({ code }) => code === mouldCode) ?? fitting[0]
  const skin = values.kind === 'head'
  const usual = colours.find(
    ({ family, finish }) => (skin ? family === 'skin' : family === 'white') && finish === 'solid',
  )
  const cloth = base || usual?.code || colours[0]?.code || ''
  const print: Print = { ...values, code: 'D-LIVE', traits: {} }
  const live = livePart(
    { name: values.name, mould: mould?.code ?? '', colours: [cloth], print: print.code },
    { moulds, colours, prints: [print] },
  )
  return (
    <>
      <LivePicture placements={live.placements} catalogue={live.catalogue} name={values.name} />
      <div className="mt-3 grid grid-cols-2 gap-3">
        <ColourField label={skin ? 'Tried on skin' : 'Tried on cloth'} value={cloth} onChange={setBase} />
        <Field label="Tried on">
          {(ids) => (
            <select
              {...ids}
              value={mould?.code ?? ''}
              onChange={(event) => setMould(event.target.value)}
              className={box}
            >
              {fitting.map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <p className="mt-2 text-[13px] text-soft">
        Without any layer the print is drawn from its name, marked as guessed.
      </p>
    </>
  )
}

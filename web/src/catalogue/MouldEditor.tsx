import { useParams } from 'react-router'
import { useRef } from 'react'
import {
  CONNECTIONS,
  COVERS,
  PART_KINDS,
  traitsOfKind,
  type Mould,
  type PartKind,
  type Traits,
} from '@outfit/core/catalogue'
import { SILHOUETTES } from '@outfit/core/mannequin'
import { api } from '../data/api.ts'
import { EmptyNote, Waiting } from '../ui/Notes.tsx'
import { EntryForm } from './EntryForm.tsx'
import { box, ChoiceChips, Field, TextField, traitsFromText, traitsToText } from './fields.tsx'
import { LivePicture, livePart } from './LivePicture.tsx'

/** A mould as its fields hold it: traits are lines of text. */
type Values = Omit<Mould, 'code' | 'traits'> & { traits: string }

const START: Values = {
  name: '',
  kind: 'headgear',
  silhouette: 'crop',
  neckThickness: 0,
  height: 3,
  mass: 1,
  connections: ['crown'],
  covers: [],
  traits: 'hair=yes\nhairLength=short',
}

const silhouettesOf = (kind: PartKind) => SILHOUETTES[kind] ?? [kind]

const toValues = ({ code: _code, traits, ...mould }: Mould): Values => ({ ...mould, traits: traitsToText(traits) })

/** A mould of one's own: what it is, how it is drawn, and what the fitting rules ask of it. */
export function MouldEditor() {
  const { code = 'new' } = useParams()
  const { data } = api.endpoints.basics.useQuery()
  // What was typed for a kind comes back with it.
  const asKind = useRef(new Map<PartKind, string>())
  if (!data) return <Waiting>Opening the moulds…</Waiting>
  const known = data.moulds.find((mould) => mould.code === code)
  /** The traits of a mould that becomes another kind: those that fit, and those it had as that kind before. */
  const traitsAs = (kind: PartKind, { kind: was, traits: text }: Values): string => {
    asKind.current.set(was, text)
    const traits = traitsIn(text)
    return asKind.current.get(kind) ?? (traits ? traitsToText(traitsOfKind(traits, kind).fit) : text)
  }
  if (!known && code !== 'new') return <EmptyNote title={`There is no mould ${code}`} />
  return (
    <EntryForm<Values>
      key={code}
      table="moulds"
      noun="mould"
      code={known ? code : null}
      initial={known ? toValues(known) : START}
      toBody={({ traits, ...rest }) => ({ ...rest, traits: traitsFromText(traits) })}
      after={() => '/moulds'}
      preview={(values) => <Preview values={values} />}
    >
      {({ register, setValue, getValues, watch, formState: { errors } }) => (
        <>
          <TextField label="Name" {...register('name')} error={errors.name?.message} />
          <div className="grid grid-cols-2 gap-4">
            <Field label="Kind" error={errors.kind?.message}>
              {(ids) => (
                <select
                  {...ids}
                  value={watch('kind')}
                  onChange={(event) => {
                    const kind = event.target.value as PartKind
                    setValue('traits', traitsAs(kind, getValues()))
                    setValue('kind', kind)
                    // It holds on as others of its kind do, until somebody says otherwise.
                    setValue('connections', data.moulds.find((one) => one.kind === kind)?.connections ?? [])
                    setValue('silhouette', silhouettesOf(kind)[0]!)
                  }}
                  className={box}
                >
                  {PART_KINDS.map((kind) => (
                    <option key={kind}>{kind}</option>
                  ))}
                </select>
              )}
            </Field>
            <Field label="Drawn as" hint="the nearest shape there is" error={errors.silhouette?.message}>
              {(ids) => (
                <select {...ids} {...register('silhouette')} className={box}>
                  {silhouettesOf(watch('kind')).map((silhouette) => (
                    <option key={silhouette}>{silhouette}</option>
                  ))}
                </select>
              )}
            </Field>
          </div>
          <div className="grid grid-cols-3 gap-4">
            {(
              [
                ['neckThickness', 'Thickness on the neck, mm'],
                ['height', 'Height it adds, mm'],
                ['mass', 'Mass, g'],
              ] as const
            ).map(([key, label]) => (
              <TextField
                key={key}
                label={label}
                type="number"
                step="0.1"
                min="0"
                {...register(key, { valueAsNumber: true })}
                error={errors[key]?.message}
              />
            ))}
          </div>
          <ChoiceChips
            label="Connects at"
            choices={CONNECTIONS}
            value={watch('connections')}
            onChange={(value) => setValue('connections', value)}
          />
          <ChoiceChips
            label="Covers"
            choices={COVERS}
            value={watch('covers')}
            onChange={(value) => setValue('covers', value)}
          />
          <Field label="Traits" hint={hintOf(watch('traits'), watch('kind'))} error={errors.traits?.message}>
            {(ids) => <textarea {...ids} {...register('traits')} rows={5} className={`${box} font-mono text-[13px]`} />}
          </Field>
        </>
      )}
    </EntryForm>
  )
}

/** The traits a text holds; null while a line is half typed. */
function traitsIn(text: string): Traits | null {
  try {
    return traitsFromText(text)
  } catch {
    return null
  }
}

function hintOf(text: string, kind: PartKind): string {
  const { astray } = traitsOfKind(traitsIn(text) ?? {}, kind)
  return astray.length > 0
    ? `${astray.join(', ')}: said of other kinds than ${kind}`
    : 'one a line, as key=value; hair length, parting, texture and tied are among them'
}

function Preview({ values }: { values: Values }) {
  const { data } = api.endpoints.basics.useQuery()
  const colours = data?.colours ?? []
  const mould: Mould = {
    ...values,
    neckThickness: Number(values.neckThickness) || 0,
    height: Number(values.height) || 0,
    mass: Number(values.mass) || 0,
    code: 'M-LIVE',
    // What is half typed shows when it is whole.
    traits: traitsIn(values.traits) ?? {},
  }
  const two = colours.filter(({ finish, family }) => finish === 'solid' && family !== 'skin').map(({ code }) => code)
  const live = livePart(
    { name: values.name, mould: mould.code, colours: two.slice(0, 2), print: null },
    { moulds: [mould], colours, prints: [] },
  )
  return <LivePicture placements={live.placements} catalogue={live.catalogue} name={values.name} />
}

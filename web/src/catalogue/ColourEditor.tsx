import { useParams } from 'react-router'
import { familiesOf } from '@outfit/core/parts'
import { FINISHES, type Colour, type Finish } from '@outfit/core/catalogue'
import { nearestColours } from '@outfit/core/colour'
import { api } from '../data/api.ts'
import { EmptyNote, Waiting } from '../ui/Notes.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { EntryForm } from './EntryForm.tsx'
import { box, Field, TextField } from './fields.tsx'
import { LivePicture, livePart } from './LivePicture.tsx'

type Values = Pick<Colour, 'name' | 'hex' | 'family'> & { finish: Finish }

/** A colour of one's own: name, shade, family and finish, worn by the doll and held against the palette. */
export function ColourEditor() {
  const { code = 'new' } = useParams()
  const { data } = api.endpoints.basics.useQuery()
  if (!data) return <Waiting>Opening the palette…</Waiting>
  const known = data.colours.find((colour) => colour.code === code)
  if (!known && code !== 'new') return <EmptyNote title={`There is no colour ${code}`} />
  const { name, hex, family, finish }: Values = known ?? { name: '', hex: '#4C7A5A', family: 'green', finish: 'solid' }
  return (
    <EntryForm<Values>
      key={code}
      table="colours"
      noun="colour"
      code={known ? code : null}
      initial={{ name, hex, family, finish }}
      toBody={(values) => ({ ...values, hex: values.hex.toUpperCase() })}
      after={() => '/moulds'}
      preview={(values) => <Preview values={values} code={known?.code ?? null} />}
    >
      {({ register, formState: { errors } }) => (
        <>
          <TextField label="Name" {...register('name')} error={errors.name?.message} />
          <div className="grid grid-cols-3 gap-4">
            <Field label="Shade" error={errors.hex?.message}>
              {(ids) => <input type="color" {...ids} {...register('hex')} className={`${box} h-[38px] !px-1`} />}
            </Field>
            <TextField label="Family" list="families" {...register('family')} error={errors.family?.message} />
            <datalist id="families">
              {familiesOf(data.colours).map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
            <Field label="Finish" error={errors.finish?.message}>
              {(ids) => (
                <select {...ids} {...register('finish')} className={box}>
                  {FINISHES.map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </select>
              )}
            </Field>
          </div>
        </>
      )}
    </EntryForm>
  )
}

/** Moulds a colour is tried on: cloth round the neck shows most of it. */
const TRIED_ON = ['cape', 'shawl', 'life-vest']

function Preview({ values, code }: { values: Values; code: string | null }) {
  const { data } = api.endpoints.basics.useQuery()
  const moulds = data?.moulds ?? []
  const colour: Colour = { ...values, code: 'live' }
  const mould = moulds.find(({ silhouette }) => TRIED_ON.includes(silhouette)) ?? moulds[0]
  const live = livePart(
    { name: values.name, mould: mould?.code ?? '', colours: ['live'], print: null },
    { moulds, colours: [colour], prints: [] },
  )
  const others = (data?.colours ?? []).filter((other) => other.code !== code)
  return (
    <>
      <LivePicture placements={live.placements} catalogue={live.catalogue} name={values.name} />
      <h2 className="mt-4 text-base">Nearest in the palette</h2>
      <ul>
        {nearestColours(values.hex, others)
          .slice(0, 5)
          .map(({ colour: near, deltaE, words }) => (
            <li key={near.code} className="flex items-center gap-1.5 border-t border-rule py-1 first:border-0">
              <Swatch colour={near} /> {near.name}
              <span className="text-soft">
                ΔE {deltaE.toFixed(1)}, {words}
              </span>
            </li>
          ))}
      </ul>
    </>
  )
}

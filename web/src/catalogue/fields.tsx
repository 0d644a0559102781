import { useId, type InputHTMLAttributes, type ReactNode, type Ref } from 'react'
import { familiesOf } from '@outfit/core/parts'
import { PART_KINDS, type Colour, type Mould, type Traits } from '@outfit/core/catalogue'
import { traitsCell } from '@outfit/core/tables'
import { api } from '../data/api.ts'
import { Swatch } from '../ui/Swatch.tsx'

export const box = 'w-full rounded-[8px] border border-rule bg-card px-2.5 py-1.5 aria-[invalid=true]:border-problem'

interface FieldProps {
  label: string
  hint?: string
  error?: string | undefined
  children: (ids: { id: string; 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode
  className?: string
}

/** A label, what it labels, and what is wrong with it. */
export function Field({ label, hint, error, children, className = '' }: FieldProps) {
  const id = useId()
  const about = hint || error ? `${id}-about` : undefined
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-[13px] font-semibold">
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': about })}
      {about && (
        <p id={about} className={`mt-0.5 text-[13px] ${error ? 'text-problem' : 'text-soft'}`}>
          {error ?? hint}
        </p>
      )}
    </div>
  )
}

type TextProps = Omit<FieldProps, 'children'> & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }

export function TextField({ label, hint, error, className, ref, ...input }: TextProps) {
  return (
    <Field label={label} {...(hint ? { hint } : {})} error={error} {...(className ? { className } : {})}>
      {(ids) => <input {...ids} {...input} ref={ref} className={box} />}
    </Field>
  )
}

interface ColourFieldProps {
  label: string
  value: string
  onChange: (code: string) => void
  /** What no colour is called; absent where there must be one. */
  none?: string
  error?: string | undefined
  className?: string
}

/** A palette colour by its name, with its swatch beside it. */
export function ColourField({ label, value, onChange, none, error, className }: ColourFieldProps) {
  const { data } = api.endpoints.basics.useQuery()
  const colours = data?.colours ?? []
  return (
    <Field label={label} error={error} {...(className ? { className } : {})}>
      {(ids) => (
        <span className="flex items-center gap-2">
          <Swatch colour={colours.find(({ code }) => code === value)} size={20} />
          <select {...ids} value={value} onChange={(event) => onChange(event.target.value)} className={box}>
            {none !== undefined && <option value="">{none}</option>}
            <ColourOptions colours={colours} />
          </select>
        </span>
      )}
    </Field>
  )
}

/** Palette colours as options, by family. */
export function ColourOptions({ colours }: { colours: readonly Colour[] }) {
  return familiesOf(colours).map((family) => (
    <optgroup key={family} label={family}>
      {colours
        .filter((colour) => colour.family === family)
        .map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
    </optgroup>
  ))
}

/** Moulds as options, by kind. */
export function MouldOptions({ moulds }: { moulds: readonly Mould[] }) {
  return PART_KINDS.map((kind) => (
    <optgroup key={kind} label={kind}>
      {moulds
        .filter((mould) => mould.kind === kind)
        .map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
    </optgroup>
  ))
}

/** Traits as lines of "key=value". */
export const traitsToText = (traits: Traits) => traitsCell.write(traits).replaceAll(';', '\n')

/** Lines of "key=value" as traits; throws a sentence that names the line. */
export function traitsFromText(text: string): Traits {
  const read = (line: string, i: number) => {
    try {
      return traitsCell.read(line)
    } catch (error) {
      throw new Error(`Traits, line ${i + 1}: ${(error as Error).message}.`, { cause: error })
    }
  }
  return Object.assign({}, ...text.split('\n').map(read)) as Traits
}

/** Several of some words. */
export function ChoiceChips<T extends string>({
  label,
  choices,
  value,
  onChange,
}: {
  label: string
  choices: readonly T[]
  value: readonly T[]
  onChange: (value: T[]) => void
}) {
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {choices.map((choice) => {
          const on = value.includes(choice)
          return (
            <button
              key={choice}
              type="button"
              aria-pressed={on}
              onClick={() => onChange(on ? value.filter((other) => other !== choice) : [...value, choice])}
              className={`rounded-full border px-2.5 py-0.5 text-[13px] ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
            >
              {choice}
            </button>
          )
        })}
      </div>
    </fieldset>
  )
}

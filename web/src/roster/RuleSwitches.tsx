import { RotateCcw } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Level } from '@outfit/core/catalogue'
import { homeCurrency } from '@outfit/core/market'
import {
  ALTERATION_WORDS,
  FACES,
  FACES_WORDS,
  LEVEL_WORDS,
  OWN_ALTERATIONS,
  SKINS,
  SKINS_WORDS,
  SWITCH_WORDS,
  SWITCHES,
  switchesOver,
  switchInWords,
  type Faces,
  type HouseRules,
  type Skins,
  type Switches,
} from '@outfit/core/roster'
import { Carriers } from '../ui/Carriers.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'

interface RuleSwitchesProps {
  rules: HouseRules
  /** What the rules are without the switches set here. */
  base: HouseRules
  /** What that is called. */
  beneath: string
  onChange: (rules: HouseRules) => void
}

const field = 'rounded-[8px] border border-rule bg-card px-2 py-1 text-[14px]'

/** Every switch in plain words; what differs from beneath is marked and can be put back. */
export function RuleSwitches({ rules, base, beneath, onChange }: RuleSwitchesProps) {
  const changed = switchesOver(base, rules)
  return (
    <dl>
      {SWITCHES.map((key) => (
        <div
          key={key}
          className={`grid grid-cols-[minmax(0,1fr)_360px] items-center gap-4 border-b border-rule py-2 pl-3 ${key in changed ? 'border-l-[3px] border-l-act' : 'border-l-[3px] border-l-transparent'}`}
        >
          <dt>
            <span className="font-semibold">{SWITCH_WORDS[key].label}</span>
            {key in changed && (
              <button
                type="button"
                onClick={() => onChange({ ...rules, [key]: base[key] })}
                className="ml-2 inline-flex items-center gap-1 text-[13px] font-semibold text-act hover:underline"
              >
                <RotateCcw aria-hidden className="size-3" /> {beneath}: {switchInWords(base, key)}
              </button>
            )}
            <span className="block text-[13.5px] leading-snug text-soft">{SWITCH_WORDS[key].why}</span>
          </dt>
          <dd>
            <Control name={key} rules={rules} onChange={(value) => onChange({ ...rules, ...value })} />
          </dd>
        </div>
      ))}
    </dl>
  )
}

function Control({
  name,
  rules,
  onChange,
}: {
  name: keyof Switches
  rules: HouseRules
  onChange: (changed: Switches) => void
}) {
  const { label } = SWITCH_WORDS[name]
  switch (name) {
    case 'takingApart':
      return (
        <select
          aria-label={label}
          value={rules.takingApart}
          onChange={(event) => onChange({ takingApart: Number(event.target.value) as Level })}
          className={`${field} w-full`}
        >
          {([0, 1, 2, 3, 4] as const).map((level) => (
            <option key={level} value={level}>
              {level}: {LEVEL_WORDS[level]}
            </option>
          ))}
        </select>
      )
    case 'alterations':
      return (
        <span role="group" aria-label={label} className="flex flex-wrap gap-1.5">
          {OWN_ALTERATIONS.map((kind) => {
            const on = rules.alterations.includes(kind)
            return (
              <button
                key={kind}
                type="button"
                aria-pressed={on}
                onClick={() =>
                  onChange({
                    alterations: OWN_ALTERATIONS.filter((one) =>
                      one === kind ? !on : rules.alterations.includes(one),
                    ),
                  })
                }
                className={`rounded-full border px-2.5 py-0.5 text-[13px] ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`}
              >
                {ALTERATION_WORDS[kind].done}
              </button>
            )
          })}
        </span>
      )
    case 'mostMainColours':
      return (
        <select
          aria-label={label}
          value={rules.mostMainColours ?? ''}
          onChange={({ target: { value } }) => onChange({ mostMainColours: value === '' ? null : Number(value) })}
          className={field}
        >
          {[1, 2, 3, 4, 5, 6].map((most) => (
            <option key={most} value={most}>
              {most} at most
            </option>
          ))}
          <option value="">any number</option>
        </select>
      )
    case 'faces':
      return (
        <Choice
          label={label}
          value={rules.faces}
          options={FACES}
          words={FACES_WORDS}
          onPick={(faces: Faces) => onChange({ faces })}
        />
      )
    case 'skins':
      return (
        <Choice
          label={label}
          value={rules.skins}
          options={SKINS}
          words={SKINS_WORDS}
          onPick={(skins: Skins) => onChange({ skins })}
        />
      )
    case 'spendingLimit':
      return (
        <span className="flex items-center gap-2">
          <MoneyField
            value={rules.spendingLimit}
            onChange={(spendingLimit) => onChange({ spendingLimit })}
            label={label}
            placeholder="no limit"
            className="w-[96px]"
          />
          {homeCurrency()}
        </span>
      )
    case 'excluded':
      return (
        <span className="flex flex-wrap items-center gap-2">
          <Carriers
            kind="figures"
            codes={rules.excluded.figures}
            onChange={(figures) => onChange({ excluded: { ...rules.excluded, figures } })}
          />
          <Carriers
            kind="releases"
            codes={rules.excluded.releases}
            onChange={(releases) => onChange({ excluded: { ...rules.excluded, releases } })}
          />
        </span>
      )
    default:
      return (
        <Toggle label={label} on={rules[name]} onToggle={() => onChange({ [name]: !rules[name] })}>
          {switchInWords(rules, name)}
        </Toggle>
      )
  }
}

function Choice<T extends string>({
  label,
  value,
  options,
  words,
  onPick,
}: {
  label: string
  value: T
  options: readonly T[]
  words: Readonly<Record<T, string>>
  onPick: (value: T) => void
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(event.target.value as T)}
      className={`${field} max-w-full`}
    >
      {options.map((option) => (
        <option key={option} value={option}>
          {words[option]}
        </option>
      ))}
    </select>
  )
}

function Toggle({
  label,
  on,
  onToggle,
  children,
}: {
  label: string
  on: boolean
  onToggle: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      role="switch"
      aria-checked={on}
      aria-label={label}
      onClick={onToggle}
      className="inline-flex items-center gap-2"
    >
      <span
        aria-hidden
        className={`h-5 w-9 rounded-full border p-0.5 ${on ? 'border-act bg-act' : 'border-soft bg-card'}`}
      >
        <span className={`block size-3.5 rounded-full ${on ? 'ml-4 bg-act-ink' : 'bg-soft'}`} />
      </span>
      {children}
    </button>
  )
}

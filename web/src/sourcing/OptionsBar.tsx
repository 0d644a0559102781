import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { Level } from '@outfit/core/catalogue'
import type { BuyingOptions } from '@outfit/core/sourcing'
import { marketApi } from '../data/marketApi.ts'
import { Button } from '../ui/Button.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'

const PILL = 'rounded-full border border-rule bg-card px-2.5 py-0.5'
const APART = ['as sold', 'into assemblies', 'up to hands', 'up to arms', 'up to legs']

interface OptionsBarProps {
  options: BuyingOptions
  onChange: (change: BuyingOptions) => void
}

/** What the plan keeps to: parcels, days, money, how far things are taken apart, used parts, second choices, sellers. */
export function OptionsBar({ options, onChange }: OptionsBarProps) {
  const { parcels, arriveBy, budget, condition, takingApart, secondChoices, resale } = options
  return (
    <div role="group" aria-label="What the plan keeps to" className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
      <label className="flex items-center gap-1.5">
        most parcels
        <select
          className={PILL}
          value={parcels ?? ''}
          onChange={({ target }) => onChange({ parcels: target.value === '' ? null : Number(target.value) })}
        >
          <option value="">any</option>
          {[1, 2, 3, 4, 5, 6, 8, 10].map((n) => (
            <option key={n}>{n}</option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        here in
        <DaysField value={arriveBy ?? null} onChange={(days) => onChange({ arriveBy: days })} />
        days
      </label>
      <label className="flex items-center gap-1.5">
        spend at most
        <MoneyField
          label="Spend at most"
          className={`${PILL} w-[70px]`}
          value={budget ?? null}
          onChange={(money) => onChange({ budget: money })}
        />
      </label>
      <label className="flex items-center gap-1.5">
        take apart
        <select
          className={PILL}
          value={takingApart ?? ''}
          onChange={({ target }) =>
            onChange({
              takingApart: target.value === '' ? undefined : (Number(target.value) as Level),
            } as BuyingOptions)
          }
        >
          <option value="">by house rules</option>
          {APART.map((name, level) => (
            <option key={name} value={level}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        <select
          aria-label="Condition"
          className={PILL}
          value={condition ?? 'any'}
          onChange={({ target }) => onChange({ condition: target.value as 'any' | 'new' })}
        >
          <option value="any">new or used</option>
          <option value="new">new only</option>
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        leftovers
        <select
          className={`${PILL} w-[98px]`}
          value={resale ?? 0}
          onChange={({ target }) => onChange({ resale: Number(target.value) })}
        >
          <option value={0}>kept</option>
          <option value={30}>sold at 30 %</option>
          <option value={50}>sold at 50 %</option>
          <option value={70}>sold at 70 %</option>
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          title="Parts that look nearly the same would do, counted 10 cents dearer for each point they look different"
          className="size-4 accent-[#2f5d8a]"
          checked={secondChoices ?? false}
          onChange={({ target }) => onChange({ secondChoices: target.checked })}
        />
        second choices
      </label>
      <SellersAsked options={options} onChange={onChange} />
    </div>
  )
}

/** Whole days; taken when the field is left or Enter pressed, so that no plan is made for half a number. */
function DaysField({ value, onChange }: { value: number | null; onChange: (days: number | null) => void }) {
  const [text, setText] = useState<string | null>(null)
  const keep = () => {
    const days = text === null || text.trim() === '' ? null : Number(text)
    if (text !== null && (days === null || (Number.isInteger(days) && days >= 0))) onChange(days)
    setText(null)
  }
  const wrong = text !== null && text.trim() !== '' && !/^\d+$/.test(text.trim())
  return (
    <input
      inputMode="numeric"
      aria-label="Here in days"
      aria-invalid={wrong}
      placeholder="any"
      className={`${PILL} w-[56px]`}
      value={text ?? value ?? ''}
      onChange={({ target }) => setText(target.value)}
      onBlur={keep}
      onKeyDown={({ key }) => key === 'Enter' && keep()}
    />
  )
}

/** Who is asked: anybody, only some, or all but some. */
function SellersAsked({ options, onChange }: OptionsBarProps) {
  const { data } = marketApi.endpoints.market.useQuery()
  // Chosen first and taken when the list is left, so that no plan is made for half a choice.
  const [draft, setDraft] = useState<Pick<BuyingOptions, 'leftOut' | 'only'> | null>(null)
  const { leftOut = [], only = [] } = draft ?? options
  const { leftOut: away = [], only: alone = [] } = options
  const words = alone.length > 0 ? `only ${alone.length}` : away.length > 0 ? `all but ${away.length}` : 'anybody'
  const favoured = (data?.sellers ?? []).filter(({ standing }) => standing === 'favoured').map(({ code }) => code)
  const put = (list: readonly string[], code: string, on: boolean) =>
    on ? [...list, code] : list.filter((one) => one !== code)
  const leave = () => {
    if (draft) onChange(draft)
    setDraft(null)
  }
  return (
    <Popover.Root onOpenChange={(open) => !open && leave()}>
      <span className="flex items-center gap-1.5">
        ask
        <Popover.Trigger className={`${PILL} hover:border-act`} aria-label={`Sellers asked: ${words}`}>
          {words}
        </Popover.Trigger>
      </span>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={8}
          collisionPadding={12}
          aria-label="Sellers"
          className="z-20 max-h-[60vh] w-[340px] overflow-y-auto rounded-[12px] border border-rule bg-card p-3 shadow-xl"
        >
          {favoured.length > 0 && (
            <Button className="mb-2" onClick={() => setDraft({ only: favoured, leftOut: [] })}>
              Only those I favour
            </Button>
          )}
          <table className="w-full">
            <thead>
              <tr className="text-left text-[13px] text-soft">
                <th className="font-normal">seller</th>
                <th className="w-[70px] font-normal">only these</th>
                <th className="w-[60px] font-normal">leave out</th>
              </tr>
            </thead>
            <tbody>
              {data?.sellers.map(({ code, name, standing }) => (
                <tr key={code}>
                  <td>
                    {name}
                    {standing !== 'none' && (
                      <span className="text-[13px] text-soft">
                        {' '}
                        {standing === 'blocked' ? 'blocked' : '★ favoured'}
                      </span>
                    )}
                  </td>
                  <td>
                    <input
                      type="checkbox"
                      className="size-6"
                      aria-label={`Only ${name}`}
                      checked={only.includes(code)}
                      onChange={({ target }) =>
                        setDraft({ only: put(only, code, target.checked), leftOut: put(leftOut, code, false) })
                      }
                    />
                  </td>
                  <td>
                    <input
                      type="checkbox"
                      className="size-6"
                      aria-label={`Leave out ${name}`}
                      checked={leftOut.includes(code)}
                      onChange={({ target }) =>
                        setDraft({ leftOut: put(leftOut, code, target.checked), only: put(only, code, false) })
                      }
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

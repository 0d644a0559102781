import { formatCount } from '@outfit/core/base'
import { familiesOf, PRICE_BANDS, type PartFacets } from '@outfit/core/parts'
import { SHELVES, SHELF_KEYS } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { api } from '../data/api.ts'
import { toggled, type Question } from './question.ts'
import type { Change } from './useQuestion.ts'

interface FacetsProps {
  question: Question
  facets: PartFacets | undefined
  onChange: (change: Change) => void
}

const chip = (on: boolean) =>
  `rounded-full border px-2.5 py-0.5 text-[13px] disabled:opacity-40 ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card enabled:hover:border-act'}`

/** What narrows the search: where it is worn on a tape from crown to sole, then colour, price, year and what is owned. */
export function Facets({ question, facets, onChange }: FacetsProps) {
  const { data: basics } = api.endpoints.basics.useQuery()
  const families = familiesOf(basics?.colours ?? [])
  const swatches = (family: string) => basics?.colours.filter((colour) => colour.family === family).slice(0, 3) ?? []
  const years = Object.keys(facets?.years ?? {}).map(Number)
  const count = (n: number | undefined) => (facets ? formatCount(n ?? 0) : '')
  return (
    <nav
      aria-label="Narrow the search"
      className="flex h-full w-[236px] shrink-0 flex-col gap-3 overflow-y-auto border-r border-rule pb-3 phone:max-h-[46dvh] phone:w-full phone:border-r-0"
    >
      <ul aria-label="Where it is worn" className="tape-shelves pl-[34px]">
        {SHELF_KEYS.map((key) => {
          const on = question.shelves?.includes(key) ?? false
          const left = facets?.shelves[key] ?? 0
          return (
            <li key={key}>
              <button
                type="button"
                aria-pressed={on}
                disabled={!on && facets !== undefined && left === 0}
                onClick={() => onChange((now) => ({ shelves: toggled(now.shelves, key) }))}
                className={`flex h-[28px] w-full items-center border-l-[3px] pr-3 pl-2.5 text-left disabled:opacity-40 ${on ? 'border-act bg-card font-semibold' : 'border-transparent enabled:hover:bg-card/60'}`}
              >
                {SHELVES[key].label}
                <span className="ml-auto text-[13px] font-normal text-soft">{count(left)}</span>
              </button>
            </li>
          )
        })}
      </ul>
      <div className="flex flex-wrap gap-1 px-3">
        <button
          type="button"
          aria-pressed={question.owned ?? false}
          className={chip(question.owned ?? false)}
          onClick={() => onChange((now) => ({ owned: !now.owned }))}
        >
          owned <span className={question.owned ? '' : 'text-soft'}>{count(facets?.owned)}</span>
        </button>
        <button
          type="button"
          aria-pressed={question.inProduction ?? false}
          className={chip(question.inProduction ?? false)}
          onClick={() => onChange((now) => ({ inProduction: !now.inProduction }))}
        >
          in production <span className={question.inProduction ? '' : 'text-soft'}>{count(facets?.inProduction)}</span>
        </button>
      </div>
      <fieldset className="px-3">
        <legend className="font-head font-bold">Colour</legend>
        <div className="mt-1 flex flex-wrap gap-1">
          {families.map((family) => {
            const on = question.families?.includes(family) ?? false
            return (
              <button
                key={family}
                type="button"
                aria-pressed={on}
                disabled={!on && facets !== undefined && !facets.families[family]}
                onClick={() => onChange((now) => ({ families: toggled(now.families, family) }))}
                className={`flex items-center gap-1 ${chip(on)} !px-1.5`}
              >
                <span aria-hidden className="flex overflow-hidden rounded-[3px] border border-ink/50">
                  {swatches(family).map(({ code, hex }) => (
                    <span key={code} className="h-[12px] w-[4px]" style={{ background: hex }} />
                  ))}
                </span>
                {family}
              </button>
            )
          })}
        </div>
      </fieldset>
      <fieldset className="px-3">
        <legend className="font-head font-bold">Sold singly for at most</legend>
        <div className="mt-1 flex flex-wrap gap-1.5">
          {PRICE_BANDS.map((edge, i) => {
            const on = question.priceTo === edge
            return (
              <button
                key={edge}
                type="button"
                aria-pressed={on}
                disabled={!on && facets !== undefined && facets.prices[i] === 0}
                title={facets && `${count(facets.prices[i])} parts`}
                onClick={() => onChange({ priceTo: on ? undefined : edge } as Partial<Question>)}
                className={chip(on)}
              >
                {homeMoney(edge)}
              </button>
            )
          })}
        </div>
      </fieldset>
      <fieldset className="px-3">
        <legend className="font-head font-bold">Year</legend>
        <div className="mt-1 flex items-center gap-1.5">
          {(['yearFrom', 'yearTo'] as const).map((key) => (
            <select
              key={key}
              aria-label={key === 'yearFrom' ? 'From year' : 'Up to year'}
              value={question[key] ?? ''}
              onChange={(event) =>
                onChange({
                  [key]: event.target.value === '' ? undefined : Number(event.target.value),
                } as Partial<Question>)
              }
              className="min-w-0 flex-1 rounded-[8px] border border-rule bg-card px-1 py-1"
            >
              <option value="">{key === 'yearFrom' ? 'from any' : 'to any'}</option>
              {[...new Set([...years, ...(question[key] ? [question[key]] : [])])]
                .sort((a, b) => a - b)
                .map((year) => (
                  <option key={year} value={year}>
                    {year}
                  </option>
                ))}
            </select>
          ))}
        </div>
      </fieldset>
    </nav>
  )
}

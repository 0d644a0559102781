import { useMemo, useState, type FormEvent } from 'react'
import { formatMoney, homeCurrency } from '@outfit/core/market'
import { errorText, faultsOf } from '../data/api.ts'
import { settingsApi } from '../data/settingsApi.ts'
import { Button } from '../ui/Button.tsx'
import { FIELD } from '../ui/FormDialog.tsx'

const NAMES = new Intl.DisplayNames('en', { type: 'currency' })

/** What everything is counted in; another one is taken once it is known what the present one is worth in it. */
export function HomeCurrency({ home }: { home: string }) {
  const [move, { isLoading }] = settingsApi.endpoints.moveHome.useMutation()
  const [next, setNext] = useState(home)
  const [asksRate, askRate] = useState(false)
  const [rate, setRate] = useState('')
  const [problem, setProblem] = useState('')
  const currencies = useMemo(
    () =>
      Intl.supportedValuesOf('currency')
        .map((code) => ({ code, name: NAMES.of(code) ?? code }))
        .sort((a, b) => a.name.localeCompare(b.name, 'en')),
    [],
  )
  const worth = Number(rate.replace(',', '.'))
  const ready = next !== home && !isLoading && (!asksRate || worth > 0)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (!ready) return
    setProblem('')
    const answer = await move({ currency: next, ...(asksRate ? { rate: worth } : {}) })
    if (!answer.error) {
      // Every amount on every view is another one now.
      return window.location.reload()
    }
    const missing = faultsOf(answer.error).some(({ field }) => field === 'rate')
    if (missing && !asksRate) return askRate(true)
    setProblem(errorText(answer.error))
  }
  return (
    <form onSubmit={(event) => void submit(event)}>
      <label className="block font-semibold">
        Home currency
        <select
          value={next}
          onChange={({ target }) => {
            setNext(target.value)
            askRate(false)
            setProblem('')
          }}
          className={`${FIELD} max-w-[420px]`}
        >
          {currencies.map(({ code, name }) => (
            <option key={code} value={code}>
              {name} ({code})
            </option>
          ))}
        </select>
      </label>
      <p className="mt-1 max-w-[620px] text-[13.5px] text-soft">
        Prices are compared and added up in it, such as {formatMoney(123450, next)}. Sellers keep their own; the rate
        table of the Market says what those are worth.
      </p>
      {asksRate && (
        <label className="mt-3 block">
          <span className="font-semibold">
            What is 1 {home} worth in {next}?
          </span>
          <input
            autoFocus
            inputMode="decimal"
            value={rate}
            onChange={({ target }) => setRate(target.value)}
            className={`${FIELD} max-w-[160px]`}
          />
          <span className="mt-1 block max-w-[620px] text-[13.5px] text-soft">
            Budgets, limits and prices waited for are converted by it. It goes into the rate table for the day prices
            are of; of earlier days only what has a rate of its own is told.
          </span>
        </label>
      )}
      {problem && (
        <p role="alert" className="mt-2 text-problem">
          {problem}
        </p>
      )}
      {next !== homeCurrency() && (
        <Button type="submit" look="act" className="mt-3" disabled={!ready}>
          Count in {next} from now on
        </Button>
      )}
    </form>
  )
}

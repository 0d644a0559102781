import { X } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { homeCurrency } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { marketApi } from '../data/marketApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { tell, tellError } from '../ui/tell.ts'

const BOX = 'rounded-[8px] border border-rule bg-card px-2 py-1'

/** The dated rate table: prices of a day are converted at the newest rate not after it. */
export function Rates() {
  const { data } = marketApi.endpoints.rates.useQuery()
  const [keep] = marketApi.endpoints.keepRate.useMutation()
  const [remove] = marketApi.endpoints.removeRate.useMutation()
  const [date, setDate] = useState(() => new Date().toISOString().slice(0, 10))
  const [from, setFrom] = useState('GBP')
  const [text, setText] = useState('')
  const [problem, setProblem] = useState('')
  const add = async (event: FormEvent) => {
    event.preventDefault()
    const rate = Number(text.trim().replace(',', '.'))
    if (!(rate > 0)) return setProblem(`"${text}" is no rate; write what one ${from} is worth, such as 1.15.`)
    setProblem('')
    const answer = await keep({ date, from, to: homeCurrency(), rate })
    if (answer.error) return setProblem(errorText(answer.error))
    setText('')
    return tell(`From ${dayInWords(date)} one ${from} is ${rate} ${homeCurrency()}.`, () =>
      remove({ date, from, to: homeCurrency() }),
    )
  }
  return (
    <section aria-label="Rates" className="mt-8 max-w-[620px]">
      <h2 className="text-xl">Rates</h2>
      <p className="text-soft">Prices of a day are converted at the newest rate that is not younger.</p>
      <form onSubmit={(event) => void add(event)} className="mt-2 flex flex-wrap items-center gap-2">
        from
        <input
          type="date"
          aria-label="Day of the rate"
          required
          value={date}
          onChange={({ target }) => setDate(target.value)}
          className={BOX}
        />
        one
        <input
          aria-label="Currency"
          value={from}
          maxLength={3}
          onChange={({ target }) => setFrom(target.value.toUpperCase())}
          className={`${BOX} w-[64px]`}
        />
        is
        <input
          aria-label={`Worth in ${homeCurrency()}`}
          inputMode="decimal"
          value={text}
          onChange={({ target }) => setText(target.value)}
          className={`${BOX} w-[100px]`}
        />
        {homeCurrency()}
        <Button type="submit">Put it in</Button>
      </form>
      {problem && (
        <p role="alert" className="mt-1 text-problem">
          {problem}
        </p>
      )}
      <table className="mt-2 w-full">
        <tbody>
          {data?.rates.map(({ date: day, from: one, to, rate }) => (
            <tr key={`${day} ${one} ${to}`} className="border-t border-rule">
              <td>{dayInWords(day)}</td>
              <td>
                1 {one} = {rate} {to}
              </td>
              <td className="text-right">
                <Button
                  look="plain"
                  aria-label={`Take the rate of ${dayInWords(day)} for ${one} out`}
                  onClick={async () => {
                    const answer = await remove({ date: day, from: one, to })
                    if (answer.error) return tellError(answer.error)
                    return tell(`The rate of ${dayInWords(day)} was taken out.`, () =>
                      keep({ date: day, from: one, to, rate }),
                    )
                  }}
                >
                  <X aria-hidden className="size-4" />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

import { useState } from 'react'
import { homeSign, homeMoney, homeCurrency, readMoney } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import type { TargetKind } from '@outfit/core/prices'
import { pricesApi } from '../data/pricesApi.ts'
import { dayInWords } from '../parcels/parcelWords.ts'
import { Button } from '../ui/Button.tsx'
import { tell, tellError } from '../ui/tell.ts'

interface TargetFieldProps {
  kind: TargetKind
  code: string
  /** What it costs now; null where it, or a part of it, is not for sale. */
  now: number | null
}

/** The price something is waited for; told of in the head of every room once it is met. */
export function TargetField({ kind, code, now }: TargetFieldProps) {
  const { data } = pricesApi.endpoints.targets.useQuery()
  const [set, { isLoading }] = pricesApi.endpoints.setTarget.useMutation()
  const [remove] = pricesApi.endpoints.removeTarget.useMutation()
  const [text, type] = useState('')
  const [problem, setProblem] = useState('')
  const target = data?.targets.find((one) => one.kind === kind && one.code === code) ?? null
  const keep = async (price: number) => {
    const answer = await set({ kind, code, price })
    if (answer.error) return setProblem(errorText(answer.error))
    return tell(`You are told when it is ${homeMoney(price)} or less.`)
  }
  const submit = async () => {
    setProblem('')
    try {
      await keep(readMoney(text, homeCurrency()))
      type('')
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const forget = async () => {
    const { price } = target!
    const answer = await remove({ kind, code })
    if (answer.error) return tellError(answer.error)
    tell('It is no longer waited for.', () => set({ kind, code, price }))
  }
  return (
    <section aria-label="Waited for" className="mt-5">
      <h2 className="text-lg">Waited for</h2>
      {target && (
        <p>
          {target.metOn ? (
            <strong className="text-good">
              ✶ Met on {dayInWords(target.metOn)}: {homeMoney(target.metPrice ?? 0)}, you waited for{' '}
              {homeMoney(target.price)}.
            </strong>
          ) : (
            <>
              <strong>{homeMoney(target.price)}</strong>, since {dayInWords(target.setOn)}.{' '}
              {now === null ? 'It cannot be bought whole now.' : `It costs ${homeMoney(now)} now.`}
            </>
          )}{' '}
          <button type="button" className="text-act underline" onClick={() => void forget()}>
            Stop waiting
          </button>
        </p>
      )}
      <form
        className="mt-1 flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void submit()
        }}
      >
        <label className="text-soft">
          tell me at {homeSign()}{' '}
          <input
            inputMode="decimal"
            value={text}
            onChange={({ target: { value } }) => type(value)}
            className="w-[86px] rounded-[8px] border border-rule bg-card px-2 py-0.5 text-ink"
          />{' '}
          or less
        </label>
        <Button type="submit" disabled={text.trim() === '' || isLoading}>
          Wait for it
        </Button>
      </form>
      {problem && (
        <p role="alert" className="text-problem">
          {problem}
        </p>
      )}
    </section>
  )
}

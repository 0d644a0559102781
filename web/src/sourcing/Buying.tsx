import { useState, type ReactNode } from 'react'
import { catalogueOf } from '@outfit/core/catalogue'
import { api, errorText, type PlanAsk } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Searching } from '../ui/Searching.tsx'
import { useBuyingOptions } from './buyingOptions.ts'
import { Report } from './Report.tsx'
import { useFurther } from './useFurther.ts'
import { usePlan } from './usePlan.ts'

interface BuyingProps {
  ask: PlanAsk
  /** Changes when what is asked for may have. */
  version: string
  currency: string
  back: { to: string; label: string }
  /** Where the prices of all of it are told. */
  prices: string
  aside?: ReactNode
}

/** Plans the buying of something and shows the plan; planned anew when the options change. */
export function Buying({ ask, version, currency, back, prices, aside }: BuyingProps) {
  const basics = api.endpoints.basics.useQuery()
  const [options, setOptions] = useBuyingOptions()
  const [again, setAgain] = useState(0)
  const plan = usePlan({ ...ask, options }, version, again)
  const further = useFurther({ ...ask, options }, version, plan.report)
  if (basics.error) return <ErrorNote onRetry={() => void basics.refetch()}>{errorText(basics.error)}</ErrorNote>
  if (plan.problem) return <ErrorNote onRetry={() => setAgain(again + 1)}>{plan.problem}</ErrorNote>
  if (plan.state === 'cancelled')
    return (
      <EmptyNote title="Planning was stopped">
        <p>Nothing was bought and nothing has changed.</p>
        <Button look="act" className="mt-3" onClick={() => setAgain(again + 1)}>
          Plan again
        </Button>
      </EmptyNote>
    )
  if (!basics.data) return <Waiting>Looking up what is missing…</Waiting>
  const report = further.report ?? plan.report
  if (!report)
    return (
      <Searching
        title="Comparing sellers…"
        heading="h1"
        label="Planning"
        currency={currency}
        progress={plan.progress}
        least="no plan can be cheaper than"
        onEnough={plan.enough}
        stop="Stop planning"
        onStop={plan.cancel}
      />
    )
  const { parts, prints } = report
  const job = further.better ? further.job! : plan.job!
  return (
    <Report
      key={job}
      report={report}
      job={job}
      further={further}
      catalogue={catalogueOf({ ...basics.data, parts, prints })}
      options={options}
      onOptions={setOptions}
      back={back}
      prices={prices}
      aside={aside}
    />
  )
}

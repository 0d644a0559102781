import { useEffect } from 'react'
import { skipToken } from '@reduxjs/toolkit/query'
import type { VariantReport } from '@outfit/core/sourcing'
import { api, errorText } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { useJob } from './usePlan.ts'

/** Another way to buy what a finished plan buys; worked out when both are given. */
export function useVariant(base: string | null, ask: VariantReport['variant'] | null) {
  const [start] = api.endpoints.startVariant.useMutation()
  const of = base && ask ? `${base} ${JSON.stringify(ask)}` : null
  const job = useJob(of, () => start({ base: base!, ask: ask! }).unwrap())
  const { currentData, error } = api.endpoints.variantReport.useQuery(
    job.state === 'done' && base && job.job ? { base, job: job.job } : skipToken,
  )
  const dispatch = useAppDispatch()
  const improved = currentData?.improved ?? false
  useEffect(() => {
    if (improved) dispatch(api.util.invalidateTags(['Plans']))
  }, [improved, dispatch])
  return {
    state: job.state,
    job: job.job,
    problem: job.problem ?? (error ? errorText(error) : null),
    report: job.state === 'done' ? currentData : undefined,
  }
}

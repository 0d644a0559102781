import type { SourcingReport } from '@outfit/core/sourcing'
import { withoutSeller } from './planNotes.ts'
import { useVariant } from './useVariant.ts'

/** What the plan would be without a seller, worked out when it is asked for. */
export function WithoutSeller({ job, seller, report }: { job: string; seller: string; report: SourcingReport }) {
  const { report: variant, problem } = useVariant(job, { way: 'drop', seller })
  const name = report.problem.sellers.find(({ id }) => id === seller)?.name ?? seller
  if (problem) return <li role="alert">{problem}</li>
  if (!variant?.plan) return <li className="text-soft">Without {name}: planning…</li>
  return <li>{withoutSeller(report.problem, seller, report.plan, variant.plan)}</li>
}

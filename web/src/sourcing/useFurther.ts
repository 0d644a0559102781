import { useState } from 'react'
import { formatMoney } from '@outfit/core/market'
import { isBetter, unmetIn, type ReportWithParts } from '@outfit/core/sourcing'
import type { PlanAsk } from '../data/api.ts'
import { usePlan } from './usePlan.ts'
import { furtherInWords } from './ways.ts'

/** Seconds a plan is looked for further. */
const SECONDS = 60

export interface Further {
  /** The better of both plans, with what is proven by either; undefined while there is nothing new. */
  report: ReportWithParts | undefined
  /** Whether that is a new plan, and the job that made it. */
  better: boolean
  job: string | null
  running: boolean
  /** The least money found so far; home currency, minor units. */
  best: number | null
  /** What came of it, or why nothing did. */
  said: string | null
  start: () => void
  /** What was found so far will do. */
  enough: () => void
}

/** Look for a better plan for a minute while the first one stays on screen, when asked. */
export function useFurther(ask: PlanAsk, version: string, first: ReportWithParts | undefined): Further {
  const of = `${JSON.stringify(ask)} ${version}`
  const [asked, setAsked] = useState<string | null>(null)
  const plan = usePlan(asked === of && first ? { ...ask, seconds: SECONDS } : null, version)
  const found = asked === of ? plan.report : undefined
  const better = found !== undefined && first !== undefined && isBetter(found.plan, first.plan)
  return {
    report: found && first && (better ? found : withBoth(first, found)),
    better,
    job: plan.job,
    running: asked === of && !found && !plan.problem && plan.state !== 'cancelled',
    best: plan.progress?.best ?? null,
    said:
      plan.problem ??
      (found && first
        ? furtherInWords(first.plan, found.plan, (amount) => formatMoney(amount, first.problem.currency))
        : null),
    start: () => setAsked(of),
    enough: plan.enough,
  }
}

/** A report with what a plan that is no better proved about it: both leave as much unmet, or the bound is of another thing. */
function withBoth(report: ReportWithParts, { plan: other }: ReportWithParts): ReportWithParts {
  const { plan } = report
  if (unmetIn(plan) !== unmetIn(other) || other.bound <= plan.bound) return report
  if (other.bound < plan.total) return { ...report, plan: { ...plan, bound: other.bound } }
  return { ...report, plan: { ...plan, bound: plan.total, gap: 0, status: 'optimal' } }
}

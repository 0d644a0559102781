import { Injectable } from '@nestjs/common'
import { createHash } from 'node:crypto'
import {
  cheapestOfEach,
  planToCsv,
  problemFor,
  readProblem,
  type NaivePlan,
  type ReportWithParts,
  type SourcingPlan,
  type SourcingProblem,
  type SourcingReport,
} from '@outfit/core/sourcing'
import { apartByComing, takeFrom } from '@outfit/core/drawer'
import { houseRulesOf } from '@outfit/core/roster'
import { notFound, Problem } from '../app/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { MarketService } from '../market/marketService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { PlanRunner } from './planRunner.ts'

/** Finished plans kept in memory, so that going back to a take does not solve it again. */
const REMEMBERED = 60

@Injectable()
export class SourcingService {
  private readonly remembered = new Map<string, string>()

  constructor(
    private readonly rosters: RosterService,
    private readonly market: MarketService,
    private readonly catalogue: CatalogueService,
    private readonly jobs: JobsService,
    private readonly runner: PlanRunner,
  ) {}

  /** Start planning a take of an outfit; the answer is the job to watch, an old one when nothing has changed since. */
  async planTake(outfitId: string, takeId: string | undefined, seconds = 5): Promise<{ job: string }> {
    const outfit = await this.rosters.outfit(outfitId)
    const take = takeId
      ? outfit.takes.find((t) => t.id === takeId)
      : (outfit.takes.find((t) => t.chosen) ?? outfit.takes[0])
    if (!take) throw notFound('take', takeId ?? 'of this outfit')
    const market = await this.market.marketToday()
    const rules = houseRulesOf(outfit.roster.rules, outfit.roster.switches, outfit.switches)
    // What the drawer gives this take, donors taken apart no further than the house rules say.
    const given = new Map<string, number>()
    const wanted: string[] = []
    const { sources } = takeFrom(outfit.drawer, take.placements, rules.takingApart)
    const missing = take.placements.filter((_, i) => sources[i] === null)
    // What comes in a parcel already is not bought again.
    const { coming } = apartByComing(missing, outfit.arriving)
    take.placements.forEach((placement, i) => {
      const { part } = placement
      const source = sources[i]
      if (source?.elsewhere) return
      wanted.push(part)
      if (source || coming.includes(placement)) given.set(part, (given.get(part) ?? 0) + 1)
    })
    const problem = problemFor(wanted, given, market, outfit.roster.currency, {
      seconds,
      takingApart: rules.takingApart,
    })
    const key = createHash('sha256').update(JSON.stringify(problem)).digest('hex')
    const known = this.remembered.get(key)
    if (known && (await this.jobs.get(known)).state !== 'cancelled') return { job: known }
    const things = await this.thingsIn(problem, market.things)
    const input = { outfit: outfitId, take: take.id }
    const job = this.jobs.start('sourcing-plan', input, async (signal, report): Promise<SourcingReport> => {
      const plan = await this.runner.run(problem, signal, report)
      return {
        ...input,
        name: outfit.name,
        label: take.label,
        roster: outfit.roster,
        date: market.date,
        problem,
        plan,
        naive: cheapestOfEach(problem),
        things,
      }
    })
    this.remember(key, job)
    return { job }
  }

  /** Solve a problem that was sent whole. */
  planProblem(value: unknown): { job: string } {
    const problem = readProblem(value)
    return {
      job: this.jobs.start(
        'sourcing-problem',
        {},
        async (signal, report): Promise<{ problem: SourcingProblem; plan: SourcingPlan; naive: NaivePlan }> => {
          const plan = await this.runner.run(problem, signal, report)
          return { problem, plan, naive: cheapestOfEach(problem) }
        },
      ),
    }
  }

  async report(jobId: string): Promise<SourcingReport> {
    const { state, result } = await this.jobs.get(jobId)
    if (state !== 'done') throw new Problem(409, `This plan is ${state}; there is no result to show.`)
    return result as SourcingReport
  }

  /** A report with every part that its parcels, or those of the naive plan, bring. */
  async reportWithParts(jobId: string): Promise<ReportWithParts> {
    const report = await this.report(jobId)
    const bought = new Set(
      [...report.plan.baskets, ...report.naive.baskets].flatMap(({ lines }) => lines.map(({ offer }) => offer)),
    )
    const codes = report.problem.offers
      .filter(({ id }) => bought.has(id))
      .flatMap(({ yields }) => yields.map(({ part }) => part))
    const needed = report.problem.needs.flatMap(({ accept }) => accept.map(({ part }) => part))
    const parts = await this.catalogue.parts([...codes, ...needed])
    return { ...report, parts, prints: await this.catalogue.printsOn(parts) }
  }

  async shoppingCsv(jobId: string): Promise<string> {
    const { problem, plan, things } = await this.report(jobId)
    return planToCsv(problem, plan, (offer) => {
      const thing = things[offer]
      return thing ? `${thing.name}${thing.condition === 'used' ? ' (used)' : ''}` : offer
    })
  }

  private remember(key: string, job: string): void {
    this.remembered.set(key, job)
    if (this.remembered.size > REMEMBERED) this.remembered.delete(this.remembered.keys().next().value!)
  }

  private async thingsIn(
    problem: SourcingProblem,
    offered: Awaited<ReturnType<MarketService['marketToday']>>['things'],
  ): Promise<SourcingReport['things']> {
    const used = problem.offers.map(({ id }) => ({ id, ...offered.get(id)! }))
    const names = await this.catalogue.namesOf(used)
    return Object.fromEntries(
      used.map(({ id, kind, code, condition }) => [id, { kind, code, condition, name: names.get(code) ?? code }]),
    )
  }
}

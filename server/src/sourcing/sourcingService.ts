import { Injectable } from '@nestjs/common'
import { createHash } from 'node:crypto'
import {
  planToCsv,
  problemFor,
  readProblem,
  type BuyingOptions,
  type NaivePlan,
  type ReportWithParts,
  type SecondChoices,
  betterOf,
  type SourcingPlan,
  type SourcingProblem,
  type SourcingReport,
  type Variant,
  type VariantReport,
} from '@outfit/core/sourcing'
import { notFound, Problem } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { MarketService, type MarketToday } from '../market/marketService.ts'
import { PlanRunner } from './planRunner.ts'
import { WantsService, type Wants } from './wantsService.ts'

/** Finished plans kept in memory, so that going back to a take does not solve it again. */
const REMEMBERED = 200
/** Seconds for a plan, and for one of many parts, unless said otherwise; another way to buy the same has as many. */
const SECONDS = 5
const SECONDS_MANY = 8
const MANY = 60
/** For each of the plans that say how much dearer a line may become. */
const SECONDS_LINE = 0.6

interface VariantResult {
  /** The plan it is a variant of. */
  base: string
  variant: VariantReport['variant']
  plan: SourcingPlan | null
  sensitivity: VariantReport['sensitivity']
  improved: boolean
}

/** Plans of the buying: begun as jobs, told as reports, taken away as lists. */
@Injectable()
export class SourcingService {
  private readonly remembered = new Map<string, string>()

  constructor(
    private readonly wants: WantsService,
    private readonly market: MarketService,
    private readonly catalogue: CatalogueService,
    private readonly jobs: JobsService,
    private readonly runner: PlanRunner,
  ) {}

  /** Start planning; the answer is the job to watch, an old one when nothing has changed since. */
  async plan(wants: Wants, options: BuyingOptions): Promise<{ job: string }> {
    const second: SecondChoices = options.secondChoices
      ? await this.wants.secondChoices(wants.wanted, new Set((await this.market.lowest()).keys()))
      : new Map()
    const others = [...second.values()].flat().map(({ part }) => part)
    const market = await this.market.marketFor([...new Set([...wants.wanted, ...others])])
    const problem = await this.problemOf(wants, market, second, options)
    const { name, outfits, take, label, roster, wantedBy } = wants
    const about = { name, outfits, take, label, roster, wantedBy }
    return this.once(['plan', problem, about], 'sourcing-plan', about, async (waiting): Promise<SourcingReport> => {
      const found = this.runner.run({ do: 'plan', problem }, waiting)
      // What is bought is named while it is looked for.
      const [things, plan] = await Promise.all([this.thingsIn(problem, market.things), found])
      const naive = await this.runner.run({ do: 'naive', problem }, waiting)
      const relaxed = plan.status === 'impossible' ? await this.runner.run({ do: 'relax', problem }, waiting) : null
      return {
        ...about,
        options,
        date: market.date,
        looked: market.looked,
        heard: market.heard,
        problem,
        plan,
        naive,
        relaxed,
        things,
      }
    })
  }

  /** Start planning another way to buy the same, or what the prices of a plan may become before it changes. */
  async variant(base: string, variant: Variant | { way: 'sensitivity' }): Promise<{ job: string }> {
    const { problem, plan } = await this.report(base)
    if (variant.way === 'drop' && !problem.sellers.some(({ id }) => id === variant.seller))
      throw new Problem(400, `seller: nobody is called "${variant.seller}" in this plan.`, [
        { field: 'seller', message: 'is not in this plan' },
      ])
    return this.once(
      [base, variant],
      'sourcing-variant',
      { base, variant },
      async (waiting): Promise<VariantResult> => {
        if (variant.way === 'sensitivity') {
          const task = {
            do: 'sensitivity',
            problem: { ...problem, limits: { ...problem.limits, seconds: SECONDS_LINE } },
            plan,
          } as const
          return { base, variant, plan: null, sensitivity: await this.runner.run(task, waiting), improved: false }
        }
        const task = { do: 'variant', problem, variant, base: plan } as const
        const found = await this.runner.run(task, waiting)
        const improved = betterOf(problem, plan, found) !== null
        // Another way may have been better still meanwhile.
        const better = (report: SourcingReport): SourcingReport => ({
          ...report,
          plan: betterOf(problem, report.plan, found) ?? report.plan,
        })
        if (improved) await this.jobs.improve(base, better)
        return { base, variant, plan: found, sensitivity: null, improved }
      },
    )
  }

  /** The report of another way to buy. 404 where it is none of this plan. */
  async variantReport(base: string, job: string): Promise<VariantReport> {
    const { problem } = await this.report(base)
    const { base: of, ...result } = await this.resultOf<VariantResult>(job)
    if (of !== base) throw notFound('variant of this plan', job)
    const lines = result.plan?.baskets.flatMap(({ lines }) => lines) ?? []
    return { ...result, ...(await this.drawablesOf(problem, lines)) }
  }

  /** Solve a problem that was sent whole. */
  planProblem(value: unknown): { job: string } {
    const problem = readProblem(value)
    return {
      job: this.jobs.start(
        'sourcing-problem',
        {},
        async (waiting): Promise<{ problem: SourcingProblem; plan: SourcingPlan; naive: NaivePlan }> => {
          const plan = await this.runner.run({ do: 'plan', problem }, waiting)
          return { problem, plan, naive: await this.runner.run({ do: 'naive', problem }, waiting) }
        },
      ),
    }
  }

  /** The report of a plan. 404 where there is no such job, 409 while it is not done. */
  report(jobId: string): Promise<SourcingReport> {
    return this.resultOf<SourcingReport>(jobId)
  }

  /** A report with every part that its parcels, or those of the naive plan, bring. */
  async reportWithParts(jobId: string): Promise<ReportWithParts> {
    const report = await this.report(jobId)
    const lines = [...report.plan.baskets, ...report.naive.baskets].flatMap((basket) => basket.lines)
    return { ...report, ...(await this.drawablesOf(report.problem, lines)) }
  }

  /** The shopping list of a plan as CSV, seller by seller. */
  async shoppingCsv(jobId: string): Promise<string> {
    const { problem, plan, things } = await this.report(jobId)
    return planToCsv(problem, plan, (offer) => {
      const thing = things[offer]
      return thing ? `${thing.name}${thing.condition === 'used' ? ' (used)' : ''}` : offer
    })
  }

  private async problemOf(
    wants: Wants,
    market: MarketToday,
    secondChoices: SecondChoices,
    options: BuyingOptions,
  ): Promise<SourcingProblem> {
    const { condition = 'any', leftOut = [], only = [], resale = 0 } = options
    const asked = (seller: string) => !leftOut.includes(seller) && (only.length === 0 || only.includes(seller))
    const offers = market.offers.filter(
      ({ id, seller }) => asked(seller) && (condition === 'any' || market.things.get(id)!.condition === 'new'),
    )
    const lowest = await this.market.lowest()
    return problemFor(wants.wanted, wants.given, { ...market, offers }, wants.currency, {
      parcels: options.parcels ?? null,
      arriveBy: options.arriveBy ?? null,
      budget: options.budget ?? null,
      seconds: options.seconds ?? (wants.wanted.length > MANY ? SECONDS_MANY : SECONDS),
      takingApart: options.takingApart ?? wants.takingApart,
      resaleOf: (part) => Math.floor(((lowest.get(part) ?? 0) * resale) / 100),
      secondChoices,
    })
  }

  /** The parts that bought lines bring and the needs ask for, so that they can be drawn. */
  private async drawablesOf(problem: SourcingProblem, lines: readonly { offer: string }[]) {
    const bought = new Set(lines.map(({ offer }) => offer))
    const codes = problem.offers
      .filter(({ id }) => bought.has(id))
      .flatMap(({ yields }) => yields.map(({ part }) => part))
    const needed = problem.needs.flatMap(({ accept }) => accept.map(({ part }) => part))
    const parts = await this.catalogue.parts([...codes, ...needed])
    return { parts, prints: await this.catalogue.printsOn(parts) }
  }

  private async resultOf<R>(jobId: string): Promise<R> {
    const { state, result } = await this.jobs.get(jobId)
    if (state !== 'done') throw new Problem(409, `This plan is ${state}; there is no result to show.`)
    return result as R
  }

  /** Start a job, or name the one that was started for the same before, unless that was given up. */
  private async once(
    what: unknown,
    kind: string,
    input: unknown,
    work: Parameters<JobsService['start']>[2],
  ): Promise<{ job: string }> {
    const key = createHash('sha256').update(JSON.stringify(what)).digest('hex')
    const known = this.remembered.get(key)
    if (known && (await this.jobs.stateOf(known)) !== 'gone') return { job: known }
    const job = this.jobs.start(kind, input, work)
    this.remembered.set(key, job)
    if (this.remembered.size > REMEMBERED) this.remembered.delete(this.remembered.keys().next().value!)
    return { job }
  }

  private async thingsIn(problem: SourcingProblem, offered: MarketToday['things']): Promise<SourcingReport['things']> {
    const used = problem.offers.map(({ id }) => ({ id, ...offered.get(id)! }))
    const names = await this.catalogue.namesOf(used)
    return Object.fromEntries(
      used.map(({ id, kind, code, condition }) => [id, { kind, code, condition, name: names.get(code) ?? code }]),
    )
  }
}

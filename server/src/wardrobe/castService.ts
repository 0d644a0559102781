import { Injectable } from '@nestjs/common'
import {
  catalogueOf,
  SLOTS,
  type Catalogue,
  type Level,
  type Part,
  type Placement,
  type Slot,
} from '@outfit/core/catalogue'
import { spareWhen } from '@outfit/core/allotment'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import type { Place } from '@outfit/core/brief'
import { CASTING_SLOTS } from '@outfit/core/casting'
import { homeCurrency } from '@outfit/core/market'
import { problemFor } from '@outfit/core/sourcing'
import {
  allInAll,
  buyingAsTheyAre,
  castPlanOf,
  choicesWorn,
  comparedAsTheyAre,
  comparedCastFirst,
  faceShown,
  holding,
  likenessNow,
  partsAskedFor,
  planOrBetter,
  problemOfMembers,
  type CastMember,
  type CastOptions,
  type CastPlan,
  type CastReport,
  type CastWho,
  type MemberAsk,
  type MembersAsk,
  type RosterPlan,
  type RosterProblem,
} from '@outfit/core/wardrobe'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound, Problem } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { JobsService, type Course } from '../jobs/jobsService.ts'
import { MarketService } from '../market/marketService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { PlanRunner } from '../sourcing/planRunner.ts'

/** Candidates of a slot that are read, and that take part for each outfit: fewer where there are many outfits. */
const READ = 5000
const MOST_CANDIDATES = 40
const MANY_OUTFITS = 12
const FEW_CANDIDATES = 28
/** Seconds for the search, by how many places are cast; and for each plan it is compared with. */
const SECONDS = [
  { places: 30, seconds: 6 },
  { places: 100, seconds: 15 },
  { places: Infinity, seconds: 30 },
]
const SECONDS_COMPARED = 4
/** Of the value of a point, for the curve of likeness against money; each as long as the first, at the most so many seconds. */
const WORTHS = [0.1, 0.3, 0.6, 2, 5]
const SECONDS_CURVE = 10
/** Codes asked for at once. */
const LIST = 5000

/** What is asked, made ready for the solver. */
interface Prepared {
  members: CastMember[]
  leftOut: CastReport['leftOut']
  problem: RosterProblem
  catalogue: Catalogue
  asked: MembersAsk
  sellers: ReadonlyMap<string, string>
  date: string
}

/** What everybody wears and where it is bought, decided together. */
@Injectable()
export class CastService {
  constructor(
    private readonly shares: SharesService,
    private readonly briefs: BriefService,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
    private readonly jobs: JobsService,
    private readonly runner: PlanRunner,
  ) {}

  /** Start casting; the answer is the job to watch. */
  async cast(
    roster: string,
    who: readonly CastWho[],
    options: CastOptions,
    seconds?: number,
  ): Promise<{ job: string }> {
    const all = await this.sharesOf(roster, who)
    const job = this.jobs.start('roster-cast', { roster }, async (course): Promise<CastReport> => {
      const prepared = await this.prepare(all, who, options, course, seconds)
      const { members, leftOut, date, asked, catalogue } = prepared
      const report: CastReport = {
        roster,
        date,
        options,
        who: [...who],
        leftOut,
        now: likenessNow(asked, members),
        plans: [],
        asTheyAre: null,
        castFirst: null,
        parts: [],
        prints: [],
      }
      if (members.length === 0) return report
      const plan = await this.found(prepared, options.worth, course)
      const first = await this.bought(prepared, course)
      report.castFirst = first && comparedCastFirst(first, asked, members)
      // Who wears nothing yet is no comparison.
      const wearing = report.now.some(({ placements }) => placements.length > 0)
      if (wearing) report.asTheyAre = await this.asTheyAre(prepared, report.now, course)
      // Looked at again only where it is better than what was found, which takes a busy machine.
      const worn =
        report.asTheyAre?.unmet === 0 &&
        (plan.status === 'impossible' || allInAll(report.asTheyAre, members.length, options.worth) < plan.value)
          ? await this.bought(prepared, course, choicesWorn(members))
          : null
      report.plans.push(this.told(prepared, options.worth, planOrBetter(prepared.problem, plan, [first, worn])))
      return { ...report, ...drawablesOf(report, catalogue) }
    })
    return { job }
  }

  /** Start finding whole plans for other values of a point, for the curve of likeness against money. */
  async curve(job: string): Promise<{ job: string }> {
    const { roster, who, options } = await this.report(job)
    const all = await this.sharesOf(roster, who)
    return {
      job: this.jobs.start('roster-curve', { job }, async (course): Promise<CastReport> => {
        const prepared = await this.prepare(all, who, options, course)
        const { problem, members, catalogue } = prepared
        problem.limits.seconds = Math.min(problem.limits.seconds, SECONDS_CURVE)
        const plans: CastPlan[] = []
        if (members.length > 0)
          for (const worth of new Set(WORTHS.map((times) => Math.round(options.worth * times)))) {
            course.report({ plans: plans.length, of: WORTHS.length })
            const found = await this.found(prepared, worth, { ...course, report: () => undefined })
            plans.push(this.told(prepared, worth, found))
          }
        const report: CastReport = { ...(await this.report(job)), plans }
        return { ...report, ...drawablesOf(report, catalogue) }
      }),
    }
  }

  /**
   * What a cast came to: figures before and after, money, who gives what to whom. 404 where there is no such job, 409 while
   * it is not done.
   */
  async report(jobId: string): Promise<CastReport> {
    const { state, result } = await this.jobs.get(jobId)
    if (state !== 'done') throw new Problem(409, `This cast is ${state}; there is no result to show.`)
    if (!(result as Partial<CastReport>).plans) throw notFound('cast', jobId)
    return result as CastReport
  }

  /** The roster problem of what is asked, to be taken away. */
  async problem(roster: string, who: readonly CastWho[], options: CastOptions): Promise<RosterProblem> {
    const all = await this.sharesOf(roster, who)
    const course: Course = {
      signal: new AbortController().signal,
      report: () => undefined,
      enough: new Int32Array(new SharedArrayBuffer(4)),
    }
    return (await this.prepare(all, who, options, course)).problem
  }

  private async sharesOf(roster: string, who: readonly CastWho[]): Promise<Share[]> {
    const all = await this.shares.all()
    const own = all.filter((share) => share.roster.id === roster)
    if (own.length === 0) throw notFound('roster', roster)
    for (const [i, { outfit }] of who.entries()) {
      if (!own.some((share) => share.outfit.id === outfit)) throw notFound('outfit', outfit)
      if (who.findIndex((one) => one.outfit === outfit) < i)
        throw new Problem(400, `who[${i}].outfit: is named twice. Nothing was cast.`, [
          { field: `who[${i}].outfit`, message: 'is named twice' },
        ])
    }
    return all
  }

  private async found({ members, problem }: Prepared, worth: number, course: Course): Promise<RosterPlan> {
    return this.runner.run({ do: 'cast', problem: { ...problem, worth }, begin: choicesWorn(members) }, course)
  }

  private told({ members, problem, catalogue, asked, sellers }: Prepared, worth: number, plan: RosterPlan): CastPlan {
    return castPlanOf({ members, problem: { ...problem, worth }, plan, catalogue, asked, sellers })
  }

  /** What some choices come to when they are bought; without any, those of everybody cast alone. */
  private bought({ problem }: Prepared, course: Course, choices?: Record<string, string>[]) {
    const limits = { ...problem.limits, seconds: secondsCompared(problem) }
    const task = { do: 'buy-after' as const, problem: { ...problem, limits }, ...(choices ? { choices } : {}) }
    return this.runner.run(task, silent(course))
  }

  private async asTheyAre({ problem, members, asked }: Prepared, now: CastReport['now'], course: Course) {
    const buying = buyingAsTheyAre(problem, asked, members, secondsCompared(problem))
    return comparedAsTheyAre(await this.runner.run({ do: 'plan', problem: buying }, silent(course)), now)
  }

  private async prepare(
    all: readonly Share[],
    who: readonly CastWho[],
    options: CastOptions,
    course: Course,
    seconds?: number,
  ): Promise<Prepared> {
    const asked = await this.ask(all, who, options)
    const { members, leftOut } = await this.runner.run({ do: 'members', ask: asked }, silent(course))
    const wanted = partsAskedFor(asked, members)
    const market = await this.market.marketFor(options.market ? [...wanted.keys()] : [])
    const supply = problemFor(
      [...wanted].flatMap(([part, qty]) => Array.from({ length: Math.min(qty, 2 * members.length) }, () => part)),
      new Map(Object.entries(asked.spare)),
      market,
      homeCurrency(),
      { takingApart: strictest(asked.members) },
    )
    const places = members.reduce((count, { slots }) => count + slots.length, 0)
    const problem = problemOfMembers(members, {
      supply,
      worth: options.worth,
      floor: options.floor * 1000,
      limits: {
        parcels: options.parcels,
        arriveBy: options.arriveBy,
        budget: options.budget,
        faces: options.facesDiffer ? 'distinct' : null,
        seconds: seconds ?? SECONDS.find((size) => places <= size.places)!.seconds,
        gap: 0.0001,
      },
    })
    const sellers = new Map(supply.sellers.map(({ id, name }) => [id, name]))
    return { members, leftOut, problem, catalogue: asked.catalogue, asked, sellers, date: market.date }
  }

  /** What the casting of some outfits of a roster looks at. */
  private async ask(
    all: readonly Share[],
    who: readonly CastWho[],
    { worth, facesDiffer, donors, market }: CastOptions,
  ): Promise<MembersAsk> {
    const cast = who.map((one) => ({ ...one, share: all.find(({ outfit }) => outfit.id === one.outfit)! }))
    const isCast = ({ outfit }: Share) => who.some((one) => one.outfit === outfit.id)
    const { roster } = cast[0]!.share
    const company = all.filter((share) => share.roster.id === roster.id)
    const [contents, lowest, candidates] = await Promise.all([
      this.drawer.contents(),
      this.market.lowestAnyhow(),
      this.candidates(),
    ])
    const spare = spareWhen(
      donors ? contents : { ...contents, donors: [] },
      all,
      (share) => (isCast(share) ? SLOTS : []),
      strictest(cast.map(({ share }) => share)),
    )
    for (const { share } of cast)
      share.placements.forEach(({ part }, i) => {
        // What is on its way is as good as owned.
        if (share.arriving[i] !== null) spare[part] = (spare[part] ?? 0) + 1
      })
    const held = cast.flatMap((one) => (one.held ?? []).flatMap(({ placements }) => placements))
    const catalogue = await this.catalogueOf(Object.values(candidates).flat(), [
      ...company.flatMap(({ placements }) => placements),
      ...held,
    ])
    const members = await Promise.all(
      cast.map(async ({ share, keep, held: own = [] }): Promise<MemberAsk> => {
        const { brief } = this.briefs.from(share.brief, share.outfit)
        const avoided = [...(await this.briefs.avoided(brief)), ...(await this.briefs.onlyFrom(share.rules.excluded))]
        const others = company.filter((one) => one !== share && one.character.id === share.character.id)
        const head = share.placements.some(({ slot }) => slot === 'head')
        // One person keeps one head.
        const sameHead: Place[] =
          share.rules.sameHead && head && others.some((one) => one.placements.length > 0) ? ['head'] : []
        return {
          outfit: share.outfit.id,
          name: share.name,
          brief,
          now: share.placements,
          worn: holding(share.placements, own),
          elsewhere: share.placements.flatMap(({ part }, i) => (share.sources[i]?.elsewhere ? [part] : [])),
          keep: [...new Set([...keep, ...own.map(({ place }) => place), ...sameHead])],
          sharesFace: sameHead.length > 0,
          avoided,
          rules: share.rules,
        }
      }),
    )
    return {
      members,
      catalogue,
      candidates,
      spare,
      lowest: market ? Object.fromEntries(lowest) : {},
      pool: market ? 'both' : 'owned',
      worth,
      // Those of whom nothing is cast, and of persons who keep theirs in several outfits.
      facesTaken: facesDiffer
        ? [
            ...company.filter((share) => !isCast(share)).map(({ placements }) => placements),
            ...members.filter(({ sharesFace }) => sharesFace).map(({ worn }) => worn),
          ].flatMap((placements) => faceShown(placements, catalogue) ?? [])
        : null,
      most: cast.length > MANY_OUTFITS ? FEW_CANDIDATES : MOST_CANDIDATES,
    }
  }

  private async candidates(): Promise<Partial<Record<Slot, Part[]>>> {
    const pages = await Promise.all(
      CASTING_SLOTS.map(async (slot) => [slot, await this.catalogue.page(SLOT_FACTS[slot].accepts, '', READ)] as const),
    )
    return Object.fromEntries(pages)
  }

  /** Candidates and what is worn, with all that is needed to judge and draw them. */
  private async catalogueOf(candidates: readonly Part[], others: readonly Placement[]): Promise<Catalogue> {
    const known = new Map(candidates.map((part) => [part.code, part]))
    const missing = [...candidates.flatMap(({ components }) => components), ...others].map(({ part }) => part)
    const codes = [...new Set(missing)].filter((code) => !known.has(code))
    for (let from = 0; from < codes.length; from += LIST)
      for (const part of await this.catalogue.parts(codes.slice(from, from + LIST))) known.set(part.code, part)
    const parts = [...known.values()]
    const { colours, moulds } = await this.catalogue.basics()
    return catalogueOf({ colours, moulds, parts, prints: await this.catalogue.printsOn(parts, stickersOn(others)) })
  }
}

/** How far things are taken apart for all of them: no further than anybody's house rules allow. */
const strictest = (list: readonly Pick<MemberAsk, 'rules'>[]): Level =>
  list.reduce<Level>((least, { rules }) => (rules.takingApart < least ? rules.takingApart : least), 4)

/** For a plan the cast is compared with: no more than the cast itself has. */
const secondsCompared = ({ limits }: RosterProblem) => Math.min(SECONDS_COMPARED, limits.seconds)

/** Work beside the cast: nothing is told of it, and "good enough" was not said of it. */
const silent = (course: Course): Course => ({
  ...course,
  report: () => undefined,
  enough: new Int32Array(new SharedArrayBuffer(4)),
})

/** The parts and prints a report shows. */
function drawablesOf({ now, plans }: CastReport, { parts, prints }: Catalogue): Pick<CastReport, 'parts' | 'prints'> {
  const shown = [
    ...now.flatMap(({ placements }) => placements),
    ...plans.flatMap(({ figures }) =>
      figures.flatMap(({ placements, gaveUp }) => [...placements, ...gaveUp.flatMap((one) => one.placements)]),
    ),
  ]
  const used = [...new Set(shown.map(({ part }) => part))].flatMap((code) => parts.get(code) ?? [])
  const codes = [...used.flatMap(({ print }) => print ?? []), ...stickersOn(shown)]
  return { parts: used, prints: [...new Set(codes)].flatMap((code) => prints.get(code) ?? []) }
}

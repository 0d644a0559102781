import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { countParts } from '@outfit/core/anatomy'
import { binKind, gather, type Moved, type Source, type Stop } from '@outfit/core/drawer'
import { shareOut } from '@outfit/core/allotment'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { ActService } from '../drawer/actService.ts'
import { BinService } from '../drawer/binService.ts'
import { BinEntity, LyingEntity, MovementEntity } from '../schema/drawer.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { SharesService, type Share } from '../allotment/sharesService.ts'

const ulid = monotonicFactory()

/** What building an outfit takes, as the drawer lies today. */
export interface Gathering {
  share: Share
  /** Where each placement comes from; null for what is lacking. */
  sources: Source[]
  /** How many of each part stand on it already. */
  standing: Record<string, number>
  /** Loose parts, bin by bin along the way. */
  stops: Stop[]
}

/** Outfits that are built: their parts stand together in a bin of their own. */
@Injectable()
export class StandService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly drawer: DrawerService,
    private readonly acts: ActService,
    private readonly bins: BinService,
    private readonly changes: Changes,
  ) {}

  /**
   * Move every part an outfit wears from where it lies onto the figure, all or none. Refused with 409 while anything is
   * missing, naming how much. `on` is the day.
   */
  async build(outfit: string, on: string): Promise<{ moved: number }> {
    const moved = await this.writer.transaction((db) => this.buildIn(db, outfit, on))
    this.changes.tell('drawer')
    return { moved }
  }

  /**
   * Where everything for an outfit lies: what it was allotted, where that is all of it. Otherwise it has what there is,
   * whoever else counts on it, since what is built is a fact.
   */
  async gathering(outfit: string, within?: EntityManager): Promise<Gathering> {
    const db = within ?? this.database.manager
    const share = (await this.shares.all(within)).find((one) => one.outfit.id === outfit)
    if (!share) throw notFound('outfit', outfit)
    const allotted = share.sources.every((source) => source !== null)
    const sources = allotted ? share.sources : shareOut(await this.drawer.contents(within), [share])[0]!.sources
    const standing = { ...share.standing }
    const loose = share.placements.filter(({ part }, i) => {
      const source = sources[i]
      if (!source || source.elsewhere || source.donor !== null) return false
      if ((standing[part] ?? 0) === 0) return true
      standing[part]!--
      return false
    })
    const needs = countParts(loose)
    const [lying, bins] = await Promise.all([
      this.bins.looseOf(db, [...needs.keys()]),
      db.find(BinEntity, { order: { code: 'ASC' } }),
    ])
    const { stops, short } = gather(Object.fromEntries(needs), lying, bins)
    // What lies with a donor but is not of it is loose too, and fetched last.
    const beside = await this.besideDonors(db, short)
    return { share, sources, standing: { ...share.standing }, stops: [...stops, ...beside] }
  }

  /** The same inside a transaction; how many parts were moved. Whoever calls tells of the change of the drawer. */
  async buildIn(db: EntityManager, outfit: string, on: string): Promise<number> {
    const { share, sources, standing, stops } = await this.gathering(outfit, db)
    const missing = sources.filter((source) => source === null).length
    if (share.placements.length === 0 || missing > 0)
      throw new Problem(
        409,
        share.placements.length === 0
          ? `${share.name} wears nothing yet. Dress it first.`
          : `${share.name} lacks ${missing === 1 ? 'one part' : `${missing} parts`}. Nothing was moved; buy what is missing first.`,
        [],
      )
    const off = share.placements.flatMap(({ part }, i) => {
      const donor = sources[i]?.donor
      return donor ? [{ bin: donor, parts: [{ part, qty: 1 }] }] : []
    })
    const wanted = [...off, ...stops]
    const lying = await db.findBy(LyingEntity, { bin: In(wanted.map(({ bin }) => bin)) })
    const to = await this.standOf(db, outfit, share.name)
    const moves = wanted.flatMap(({ bin, parts }) =>
      parts.flatMap(({ part, qty }) => unitsFrom(lying, bin, part, qty).map((move): Moved => ({ ...move, to }))),
    )
    const moved = moves.reduce((sum, { qty }) => sum + qty, 0)
    const gone = share.placements.filter((_, i) => sources[i] && !sources[i].elsewhere).length
    const there = [...countParts(share.placements)].reduce(
      (sum, [part, qty]) => sum + Math.min(qty, standing[part] ?? 0),
      0,
    )
    if (moved < gone - there)
      throw new Problem(409, `A part of ${share.name} lies in no bin any more. Nothing was moved.`)
    if (moved > 0)
      await this.acts.record(db, { kind: 'built', text: share.name, at: on, roster: share.roster.id }, moves)
    return moved
  }

  /** Take a built figure apart: its parts go back to the bins they came from, all or none. */
  async takeApart(outfit: string, on: string): Promise<{ moved: number }> {
    const moved = await this.writer.transaction(async (db) => {
      const bin = await db.findOneBy(BinEntity, { outfit })
      const lying = bin ? await db.findBy(LyingEntity, { bin: bin.code }) : []
      if (!bin || lying.length === 0) throw new Problem(409, 'This outfit does not stand built. Nothing was moved.', [])
      const came = await db.find(MovementEntity, { where: { to: bin.code }, order: { id: 'ASC' } })
      const moves = lying.flatMap(({ part, condition, qty }) => {
        // The units that came last are the ones that are still on it.
        const homes = came
          .filter((m) => m.part === part && m.condition === condition && m.from !== null)
          .flatMap((m) => Array.from({ length: m.qty }, () => m.from!))
          .slice(-qty)
        if (homes.length < qty)
          throw new Problem(409, `Nobody knows which bin ${part} came from. Nothing was moved.`, [])
        return homes.map((to): Moved => ({ part, condition, from: bin.code, to, qty: 1 }))
      })
      // The bin stays the outfit's own for when it is built again.
      await this.acts.record(db, { kind: 'taken-apart', text: bin.name, at: on }, moves)
      return moves.length
    })
    this.changes.tell('drawer')
    return { moved }
  }

  private async besideDonors(db: EntityManager, short: Readonly<Record<string, number>>): Promise<Stop[]> {
    if (Object.keys(short).length === 0) return []
    const lying = await db.findBy(LyingEntity, { part: In(Object.keys(short)) })
    const bins = await db.findBy(BinEntity, { code: In(lying.map(({ bin }) => bin)) })
    const donors = bins.filter((bin) => binKind(bin) === 'donor')
    return gather(short, lying, donors).stops
  }

  private async standOf(db: EntityManager, outfit: string, name: string): Promise<string> {
    const known = await db.findOneBy(BinEntity, { outfit })
    if (known) return known.code
    const code = `T-${ulid()}`
    await db.insert(BinEntity, { code, name: `Stand: ${name}`, figure: null, outfit })
    return code
  }
}

/** So many units of a part taken from a bin, used ones before new ones; what is taken is taken off `lying`. */
function unitsFrom(lying: readonly LyingEntity[], bin: string, part: string, qty: number): Omit<Moved, 'to'>[] {
  const moves: Omit<Moved, 'to'>[] = []
  let left = qty
  const there = lying
    .filter((one) => one.bin === bin && one.part === part)
    .sort((a, b) => b.condition.localeCompare(a.condition))
  for (const one of there) {
    const taken = Math.min(left, one.qty)
    if (taken === 0) continue
    one.qty -= taken
    left -= taken
    moves.push({ part, from: bin, qty: taken, condition: one.condition })
  }
  return moves
}

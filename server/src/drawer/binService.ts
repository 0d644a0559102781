import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { type Drawables } from '@outfit/core/catalogue'
import {
  type BinContents,
  binKind,
  type BoxBin,
  type Condition,
  type Counted,
  differencesOf,
  type Moved,
  type PartsBox,
  setRight,
  together,
  walkingOrder,
} from '@outfit/core/drawer'
import { groupsOf, type Piece } from '@outfit/core/anatomy'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { refuseStale } from '../base/stale.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ComponentEntity, FigureEntity, FigurePartEntity, ReleaseContentEntity } from '../schema/catalogue.ts'
import { ParcelService } from '../market/parcelService.ts'
import { OutfitEntity, RosterEntity } from '../schema/roster.ts'
import { ActService } from './actService.ts'
import { DrawerService } from './drawerService.ts'
import { BinEntity, LyingEntity, MovementEntity, RemarkEntity } from '../schema/drawer.ts'
import type { BringIn, ChangeBin, Lend, MoveParts, NewBin, SplitFigure, Stocktake, TakeOut } from './dto.ts'

const ulid = monotonicFactory()

/** The parts box: bins as they are laid out, what lies in them, and what people do with it. */
@Injectable()
export class BinService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly acts: ActService,
    private readonly drawer: DrawerService,
    private readonly catalogue: CatalogueService,
    private readonly parcels: ParcelService,
  ) {}

  /** All bins in walking order with what one sees of them from above, and where owned parts are, in numbers. */
  async box(): Promise<PartsBox & Drawables> {
    const [bins, lids, parcels, sold] = await Promise.all([
      this.database.getRepository(BinEntity).find(),
      this.drawer.lids(),
      this.parcels.open(),
      this.database.query(
        // A sale taken back is none, and one whose taking back was taken back is one again.
        `WITH RECURSIVE sale (id, sign) AS (
           SELECT id, 1 FROM act WHERE kind = 'sold'
           UNION ALL SELECT act.id, -sign FROM act JOIN sale ON act.reverses = sale.id
         ) SELECT COALESCE(SUM(sign * qty), 0) AS qty FROM sale JOIN movement ON movement.act = sale.id`,
      ) as Promise<[{ qty: number }]>,
    ])
    const order = walkingOrder(bins).map((bin): BoxBin => {
      const lid = lids.get(bin.code)
      return { ...bin, units: lid?.units ?? 0, kinds: lid?.kinds ?? 0, lid: lid?.parts ?? [] }
    })
    const counts = { loose: 0, donor: 0, stand: 0, lent: 0 }
    for (const bin of order) counts[binKind(bin)] += bin.units
    const parts = await this.catalogue.parts([...new Set(order.flatMap(({ lid }) => lid))])
    return {
      bins: order,
      counts: {
        ...counts,
        onTheWay: parcels.flatMap(({ lines }) => lines).reduce((all, { qty }) => all + qty, 0),
        sold: sold[0].qty,
      },
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** What lies in a bin, and for a figure what it was released with and lacks. */
  async contents(code: string): Promise<BinContents & Drawables> {
    const db = this.database.manager
    const bin = await db.findOneBy(BinEntity, { code })
    if (!bin) throw notFound('bin', code)
    const [lying, trays, pieces, figure, outfit] = await Promise.all([
      db.find(LyingEntity, { where: { bin: code }, order: { part: 'ASC', condition: 'ASC' } }),
      db.findBy(BinEntity, { parent: code }),
      bin.figure ? this.piecesOf(db, bin.figure) : [],
      bin.figure ? db.findOneBy(FigureEntity, { code: bin.figure }) : null,
      bin.outfit ? db.findOneBy(OutfitEntity, { id: bin.outfit }) : null,
    ])
    const remarks = await db.findBy(RemarkEntity, { part: In(lying.map(({ part }) => part)) })
    const left = new Map<string, number>()
    for (const { part, qty } of lying) left.set(part, (left.get(part) ?? 0) + qty)
    const donor = figure && {
      name: figure.name,
      pieces: pieces.map((piece) => {
        const there = (left.get(piece.part) ?? 0) > 0
        left.set(piece.part, (left.get(piece.part) ?? 0) - 1)
        return { ...piece, there }
      }),
    }
    const loose = binKind(bin) === 'loose' || binKind(bin) === 'lent'
    const assemblies = loose ? await this.assembliesOf(lying.map(({ part }) => part)) : []
    const parts = await this.catalogue.parts([
      ...lying.map(({ part }) => part),
      ...pieces.map(({ part }) => part),
      ...assemblies,
    ])
    const known = new Set(assemblies)
    return {
      bin,
      wholes: together(
        lying,
        parts.filter(({ code: own }) => known.has(own)),
      ).wholes,
      lying: lying.map(({ part, condition, qty }) => ({ part, condition, qty })),
      trays: walkingOrder(trays).map((tray) => ({ code: tray.code, name: tray.name })),
      donor,
      outfit: outfit && { id: outfit.id, name: outfit.name },
      remarks: remarks.map(({ id, part, kind, text, photo, at }) => ({ id, part, kind, text, photo, at })),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** Assemblies every piece of which is among some parts. */
  private async assembliesOf(parts: readonly string[]): Promise<string[]> {
    const rows = (await this.database.query(
      `WITH there AS (SELECT value AS part FROM json_each(?))
       SELECT DISTINCT assembly FROM component c WHERE part IN (SELECT part FROM there) AND NOT EXISTS
         (SELECT 1 FROM component o WHERE o.assembly = c.assembly AND o.part NOT IN (SELECT part FROM there))
       ORDER BY assembly`,
      [JSON.stringify(parts)],
    )) as { assembly: string }[]
    return rows.map(({ assembly }) => assembly)
  }

  /** A new empty bin. */
  async make({ name, parent }: NewBin): Promise<{ code: string }> {
    return this.writer.transaction(async (db) => {
      await refuseBinName(db, name)
      if (parent) await binIn(db, parent)
      const code = `B-${ulid()}`
      await db.insert(BinEntity, { ...NOWHERE, code, name, parent })
      this.changes.tell('drawer')
      return { code }
    })
  }

  /**
   * Rename bins, put them elsewhere or into another; all or none. Refused with 409 when another changed the same of one
   * since it was read.
   */
  async layOut(changes: readonly (ChangeBin & { code: string })[]): Promise<void> {
    await this.writer.transaction(async (db) => {
      for (const { code, was, ...set } of changes) {
        const bin = await binIn(db, code)
        const read = Object.entries(set).every(([field, to]) => to === undefined || field in was)
        refuseStale(bin.name, read ? was : undefined, { ...bin })
        if (set.name !== undefined) await refuseBinName(db, set.name, code)
        for (let above = set.parent ?? null; above !== null; above = (await binIn(db, above)).parent)
          if (above === code)
            throw new Problem(409, 'A bin cannot lie in itself. Nothing was moved.', [
              { field: 'parent', message: 'would lie in itself' },
            ])
        if (Object.keys(set).length > 0) await db.update(BinEntity, { code }, set)
      }
    })
    this.changes.tell('drawer')
  }

  /** Take away a bin nothing ever lay in. One with a history stays, since the history names it. */
  async remove(code: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const bin = await binIn(db, code)
      if (await db.existsBy(BinEntity, { parent: code }))
        throw new Problem(409, `${bin.name} holds other bins. Take them out of it first.`)
      const used =
        (await db.existsBy(MovementEntity, { to: code })) || (await db.existsBy(MovementEntity, { from: code }))
      if (used)
        throw new Problem(
          409,
          `Parts have lain in ${bin.name}, and their history names it. It stays; give it another name to use it anew.`,
        )
      await db.delete(BinEntity, { code })
    })
    this.changes.tell('drawer')
  }

  /** Move parts from bins to another, all or none; the act by which it can be taken back. What comes from somebody it was lent to has come back. */
  async move({ moves, to }: MoveParts, at: string): Promise<{ act: string }> {
    const db = this.database.manager
    const bin = await binIn(db, to)
    const from = await db.findBy(BinEntity, { code: In(moves.map((move) => move.from)) })
    const holders = new Set(from.map(({ holder }) => holder))
    const [holder] = holders
    return this.acts.act(
      holders.size === 1 && holder
        ? { kind: 'returned', text: `by ${holder}`, at }
        : { kind: 'moved', text: `into ${bin.name}`, at },
      moves.map((move) => ({ ...move, to })),
    )
  }

  /** Take parts out of their bins for good; the act by which it can be taken back. */
  takeOut({ moves, how, text }: TakeOut, at: string): Promise<{ act: string }> {
    return this.acts.act(
      { kind: how, text, at },
      moves.map((move) => ({ ...move, to: null })),
    )
  }

  /** Into a bin that stands for whoever has them; they are owned, and nobody can plan with them. */
  async lend({ moves, holder }: Lend, at: string): Promise<{ act: string }> {
    const act = await this.writer.transaction(async (db) => {
      const known = await db.findOneBy(BinEntity, { holder })
      const code = known?.code ?? `L-${ulid()}`
      if (!known) await db.insert(BinEntity, { ...NOWHERE, code, name: `Lent to ${holder}`, holder })
      return this.acts.record(
        db,
        { kind: 'lent', text: `to ${holder}`, at },
        moves.map((move) => ({ ...move, to: code })),
      )
    })
    this.changes.tell('drawer')
    return { act }
  }

  /** Everything a part, a figure or a release brings lands in the bin; figures stay together where that is wished. */
  async bringIn(
    { things, bin, together, condition, text, roster, photo }: BringIn,
    at: string,
  ): Promise<{ act: string }> {
    const act = await this.writer.transaction(async (db) => {
      await binIn(db, bin)
      if (roster !== null && !(await db.existsBy(RosterEntity, { id: roster }))) throw notFound('roster', roster)
      const { moves, named } = await this.movesIn(
        db,
        things.map((thing) => ({ ...thing, bin, condition })),
        together,
      )
      return this.acts.record(
        db,
        { kind: 'brought-in', text: text || named.join(', '), at, roster, photo },
        together ? moves : summed(moves),
      )
    })
    this.changes.tell('drawer')
    return { act }
  }

  /**
   * The movements that bring things into bins, with what they are called: figures and assemblies as the pieces they are made
   * of, figures in a stand of their own where they are to stay together. Refused where nobody knows what is inside.
   */
  async movesIn(
    db: EntityManager,
    things: readonly {
      kind: 'part' | 'figure' | 'release'
      code: string
      qty: number
      bin: string
      condition: Condition
    }[],
    together: boolean,
  ): Promise<{ moves: Moved[]; named: string[] }> {
    const moves: Moved[] = []
    const named: string[] = []
    for (const [i, { kind, code, qty, bin, condition }] of things.entries()) {
      const into = (part: string, to: string, count: number) =>
        moves.push({ part, from: null, to, qty: count, condition })
      const name = (await this.catalogue.namesOf([{ kind, code }])).get(code)
      if (name === undefined) throw noThing(i, kind, code)
      const yielded = await this.unpack(db, kind, code)
      if (yielded.figures.length === 0 && yielded.parts.length === 0)
        throw new Problem(409, `${name}: nobody knows what it contains. Bring in its figure or its parts instead.`, [
          { field: `things[${i}].code`, message: 'has no known contents' },
        ])
      named.push(qty > 1 ? `${qty} × ${name}` : name)
      for (const part of yielded.parts) into(part.part, bin, part.qty * qty)
      for (const figure of yielded.figures)
        for (let n = 0; n < figure.qty * qty; n++) {
          const stand = together ? await this.standFor(db, figure.code) : bin
          for (const { part } of await this.piecesOf(db, figure.code)) into(part, stand, 1)
        }
    }
    return { moves, named }
  }

  /** Set a bin right by what was counted. Refused with 409 when something was moved since the count began. */
  async stocktake(code: string, { counted, expected }: Stocktake, at: string): Promise<{ act: string | null }> {
    const act = await this.writer.transaction(async (db) => {
      const bin = await binIn(db, code)
      const lying: Counted[] = await db.findBy(LyingEntity, { bin: code })
      if (differencesOf(expected, lying).length > 0)
        throw new Problem(
          409,
          `Something was moved in ${bin.name} since the count began. Nothing was written; count what changed again.`,
        )
      const differences = differencesOf(lying, counted)
      if (differences.length === 0) return null
      return this.acts.record(db, { kind: 'stocktake', text: bin.name, at }, setRight(code, differences))
    })
    this.changes.tell('drawer')
    return { act }
  }

  /** Take a figure apart for good: its pieces, as far apart as `level`, go into a bin. */
  async split(code: string, { to, level }: SplitFigure, at: string): Promise<{ act: string; pieces: number }> {
    const done = await this.writer.transaction(async (db) => {
      const bin = await binIn(db, code)
      if (bin.figure === null || binKind(bin) !== 'donor')
        throw new Problem(409, `${bin.name} is no figure. Nothing was moved.`)
      await binIn(db, to)
      const lying = await db.findBy(LyingEntity, { bin: code })
      const pieces = await this.piecesOf(db, bin.figure)
      const groups = groupsOf(pieces, level)
      const act = await this.acts.record(
        db,
        { kind: 'taken-apart', text: `${bin.name}, into ${groups.length} pieces`, at },
        lying.map(({ part, condition, qty }) => ({ part, condition, qty, from: code, to })),
      )
      return { act, pieces: groups.length }
    })
    this.changes.tell('drawer')
    return done
  }

  /** Put a released figure together from loose parts, used ones first; refused with 409 naming what is lacking. */
  async putTogether(figure: string, at: string): Promise<{ act: string; bin: string }> {
    const done = await this.writer.transaction(async (db) => {
      const pieces = await this.piecesOf(db, figure)
      if (pieces.length === 0) throw notFound('figure', figure)
      const loose = await this.looseOf(db, [...new Set(pieces.map(({ part }) => part))])
      const bin = await this.standFor(db, figure)
      const lacking: string[] = []
      const moves = pieces.flatMap(({ part }): Moved[] => {
        const found = loose.find((one) => one.part === part && one.qty > 0)
        if (!found) lacking.push(part)
        else found.qty--
        return found ? [{ part, from: found.bin, to: bin, qty: 1, condition: found.condition }] : []
      })
      if (lacking.length > 0) {
        const names = (await this.catalogue.parts(lacking)).map(({ name }) => name)
        throw new Problem(409, `Not loose in the drawer: ${names.join(', ')}. Nothing was moved.`)
      }
      const name = (await db.findOneBy(FigureEntity, { code: figure }))!.name
      return { bin, act: await this.acts.record(db, { kind: 'put', text: name, at }, moves) }
    })
    this.changes.tell('drawer')
    return done
  }

  /** Parts that lie loose here, used before new ones and fuller bins before others. */
  async looseOf(db: EntityManager, parts: readonly string[]): Promise<LyingEntity[]> {
    const lying = await db.findBy(LyingEntity, { part: In([...parts]) })
    const bins = await db.findBy(BinEntity, { code: In(lying.map(({ bin }) => bin)) })
    const loose = new Set(bins.filter((bin) => binKind(bin) === 'loose').map(({ code }) => code))
    return lying
      .filter(({ bin }) => loose.has(bin))
      .sort((a, b) => b.condition.localeCompare(a.condition) || b.qty - a.qty || a.bin.localeCompare(b.bin))
  }

  /** What one thing holds: whole figures, and single parts as far apart as they come. */
  private async unpack(
    db: EntityManager,
    kind: 'part' | 'figure' | 'release',
    code: string,
  ): Promise<{ figures: { code: string; qty: number }[]; parts: { part: string; qty: number }[] }> {
    if (kind === 'figure') return { figures: [{ code, qty: 1 }], parts: [] }
    if (kind === 'part') {
      const components = await db.findBy(ComponentEntity, { assembly: code })
      const parts = components.length > 0 ? components.map(({ part }) => part) : [code]
      return { figures: [], parts: parts.map((part) => ({ part, qty: 1 })) }
    }
    const inside = { figures: [] as { code: string; qty: number }[], parts: [] as { part: string; qty: number }[] }
    for (const { kind: what, code: held, qty } of await db.findBy(ReleaseContentEntity, { release: code })) {
      const unpacked = await this.unpack(db, what, held)
      inside.figures.push(...unpacked.figures.map((one) => ({ ...one, qty: one.qty * qty })))
      inside.parts.push(...unpacked.parts.map((one) => ({ ...one, qty: one.qty * qty })))
    }
    return inside
  }

  private async piecesOf(db: EntityManager, figure: string): Promise<Piece[]> {
    const worn = await db.find(FigurePartEntity, { where: { figure }, order: { slot: 'ASC', order: 'ASC' } })
    return worn.map(({ slot, part }) => ({ slot, part }))
  }

  /** A bin for one more of a figure to stand in: an empty one of it, or a new one. */
  private async standFor(db: EntityManager, figure: string): Promise<string> {
    const { name } = (await db.findOneBy(FigureEntity, { code: figure }))!
    const code = `S-${ulid()}`
    const others = (await db.findBy(BinEntity, { figure })).filter((bin) => binKind(bin) === 'donor')
    const number = others.length + 1
    await db.insert(BinEntity, { ...NOWHERE, code, name: number > 1 ? `${name} ${number}` : name, figure })
    return code
  }
}

const NOWHERE = { figure: null, outfit: null, parent: null, x: null, y: null, w: null, h: null, holder: null }

async function binIn(db: EntityManager, code: string): Promise<BinEntity> {
  const bin = await db.findOneBy(BinEntity, { code })
  if (!bin) throw notFound('bin', code)
  return bin
}

async function refuseBinName(db: EntityManager, name: string, own?: string): Promise<void> {
  const taken = await db.findOneBy(BinEntity, { name })
  if (taken && taken.code !== own)
    throw new Problem(409, `There is a bin called ${name} already.`, [{ field: 'name', message: 'is taken' }])
}

const noThing = (i: number, kind: string, code: string) =>
  new Problem(404, `There is no ${kind} ${code}. Nothing was brought in.`, [
    { field: `things[${i}].code`, message: 'is not known' },
  ])

/** Equal movements as one. */
function summed(moves: readonly Moved[]): Moved[] {
  const sums = new Map<string, Moved>()
  for (const move of moves) {
    const key = [move.part, move.from, move.to, move.condition].join(' ')
    const known = sums.get(key)
    if (known) known.qty += move.qty
    else sums.set(key, { ...move })
  }
  return [...sums.values()]
}

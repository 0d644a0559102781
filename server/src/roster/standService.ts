import { Injectable } from '@nestjs/common'
import { In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { onHandByBin, shareOut } from '@outfit/core/drawer'
import { Changes } from '../app/changes.ts'
import { notFound, Problem } from '../app/problem.ts'
import { Writer } from '../app/writer.ts'
import { BinEntity, MovementEntity } from '../drawer/entities.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { SharesService } from './sharesService.ts'

const ulid = monotonicFactory()

/** Outfits that are built: their parts stand together in a bin of their own. */
@Injectable()
export class StandService {
  constructor(
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly drawer: DrawerService,
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

  /** The same inside a transaction; how many parts were moved. Whoever calls tells of the change of the drawer. */
  async buildIn(db: EntityManager, outfit: string, on: string): Promise<number> {
    const share = (await this.shares.all()).find((one) => one.outfit.id === outfit)
    if (!share) throw notFound('outfit', outfit)
    // What is built is a fact: it has what lies in the drawer, whoever else had counted on it.
    const [{ sources }] = shareOut(await this.drawer.contents(), [share])
    const missing = sources.filter((source) => source === null).length
    if (share.placements.length === 0 || missing > 0)
      throw new Problem(
        409,
        share.placements.length === 0
          ? `${share.name} wears nothing yet. Dress it first.`
          : `${share.name} lacks ${missing === 1 ? 'one part' : `${missing} parts`}. Nothing was moved; buy what is missing first.`,
        [],
      )
    const bin = await this.standOf(db, outfit, share.name)
    const standing = { ...share.standing }
    let moved = 0
    for (const [i, { part }] of share.placements.entries()) {
      const source = sources[i]!
      if (source.elsewhere) continue
      if ((standing[part] ?? 0) > 0) {
        standing[part]!--
        continue
      }
      const from = source.donor ?? (await this.looseBinOf(db, part))
      if (from === null) throw new Problem(409, `${part} lies in no bin any more. Nothing was moved.`, [])
      await db.insert(MovementEntity, {
        id: ulid(),
        at: on,
        part,
        from,
        to: bin,
        qty: 1,
        reason: `built ${share.name}`,
      })
      moved += 1
    }
    return moved
  }

  /** Take a built figure apart: its parts go back to the bins they came from, all or none. */
  async takeApart(outfit: string, on: string): Promise<{ moved: number }> {
    const result = await this.writer.transaction(async (db) => {
      const bin = await db.findOneBy(BinEntity, { outfit })
      if (!bin) throw new Problem(409, 'This outfit does not stand built. Nothing was moved.', [])
      const movements = await db.find(MovementEntity, {
        where: [{ to: bin.code }, { from: bin.code }],
        order: { id: 'ASC' },
      })
      let moved = 0
      const own = (code: string | null) => (code === bin.code ? code : null)
      const onIt = onHandByBin(movements.map((m) => ({ ...m, from: own(m.from), to: own(m.to) })))
      for (const [part, places] of onIt) {
        const came = movements.filter((m) => m.part === part && m.to === bin.code && m.from !== null)
        for (let unit = places.get(bin.code) ?? 0; unit > 0; unit--) {
          const home = (came[came.length - unit] ?? came.at(-1))?.from
          if (!home) throw new Problem(409, `Nobody knows which bin ${part} came from. Nothing was moved.`, [])
          await db.insert(MovementEntity, {
            id: ulid(),
            at: on,
            part,
            from: bin.code,
            to: home,
            qty: 1,
            reason: `taken apart: ${bin.name}`,
          })
          moved += 1
        }
      }
      if (moved === 0) throw new Problem(409, 'This outfit does not stand built. Nothing was moved.', [])
      // The bin stays the outfit's own for when it is built again.
      return { moved }
    })
    this.changes.tell('drawer')
    return result
  }

  private async standOf(db: EntityManager, outfit: string, name: string): Promise<string> {
    const known = await db.findOneBy(BinEntity, { outfit })
    if (known) return known.code
    const code = `T-${ulid()}`
    await db.insert(BinEntity, { code, name: `Stand: ${name}`, figure: null, outfit })
    return code
  }

  /** The bin most loose units of a part lie in; null for none. */
  private async looseBinOf(db: EntityManager, part: string): Promise<string | null> {
    const movements = await db.find(MovementEntity, { where: { part }, order: { id: 'ASC' } })
    const places = onHandByBin(movements).get(part) ?? new Map<string, number>()
    const bins = await db.findBy(BinEntity, { code: In([...places.keys()]) })
    const loose = [...places].filter(([code]) => !bins.some((bin) => bin.code === code && bin.outfit !== null))
    // Plain bins before donors, then the fullest.
    const isDonor = (code: string) => Number(bins.some((bin) => bin.code === code && bin.figure !== null))
    loose.sort((a, b) => isDonor(a[0]) - isDonor(b[0]) || b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    return loose[0]?.[0] ?? null
  }
}

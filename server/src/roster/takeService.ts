import { Injectable } from '@nestjs/common'
import { type EntityManager } from 'typeorm'
import { ulid } from 'ulid'
import type { Placement } from '@outfit/core/catalogue'
import { notFound, Problem } from '../base/problem.ts'
import { placementOf, rowOf } from '../schema/placementRows.ts'
import { AcceptedPinEntity, PlacementEntity, TakeEntity, VoteEntity } from '../schema/roster.ts'
import { RosterService } from './rosterService.ts'

/** Alternatives of an outfit: made, named, chosen, voted for, removed. Every write carries the version of the outfit. */
@Injectable()
export class TakeService {
  constructor(private readonly rosters: RosterService) {}

  /** A new take: a copy of one there is, or of `placements`. Without a label it gets the next free letter. */
  async add(
    outfit: string,
    version: number,
    { from, placements, label }: { from?: string; placements?: readonly Placement[]; label?: string },
  ): Promise<{ version: number; take: string; label: string }> {
    if (placements) await this.rosters.refuseFaulty(placements)
    const id = ulid()
    let given = ''
    const saved = await this.rosters.writing(outfit, version, async (db) => {
      const takes = await db.findBy(TakeEntity, { outfit })
      if (from !== undefined && !takes.some((take) => take.id === from)) throw notFound('take', from)
      given = label ?? freeLetter(takes)
      refuseTaken(takes, given)
      await db.insert(TakeEntity, { id, outfit, label: given, chosen: takes.length === 0, reason: '' })
      const copied = from === undefined ? [] : await db.findBy(PlacementEntity, { take: from })
      const worn = placements ?? copied.map(placementOf)
      await db.insert(
        PlacementEntity,
        worn.map((p) => rowOf(p, id)),
      )
    })
    return { ...saved, take: id, label: given }
  }

  /** Call a take something else; labels are unique within an outfit, since addresses name takes by them. */
  rename(outfit: string, version: number, take: string, label: string): Promise<{ version: number }> {
    return this.rosters.writing(outfit, version, async (db) => {
      const others = (await this.takes(db, outfit, take)).filter(({ id }) => id !== take)
      refuseTaken(others, label)
      await db.update(TakeEntity, { id: take }, { label })
    })
  }

  /** Remove a take; the chosen one stays, so that an outfit never stands there with nothing. */
  remove(outfit: string, version: number, take: string): Promise<{ version: number }> {
    return this.rosters.writing(outfit, version, async (db) => {
      const found = (await this.takes(db, outfit, take)).find(({ id }) => id === take)!
      if (found.chosen)
        throw new Problem(409, `Take ${found.label} is the chosen one. Choose another first; nothing was removed.`, [
          { field: 'take', message: 'is the chosen one' },
        ])
      await db.delete(PlacementEntity, { take })
      await db.delete(TakeEntity, { id: take })
    })
  }

  /** Choose the take that stands for the outfit, and say why. */
  choose(outfit: string, version: number, take: string, reason: string): Promise<{ version: number }> {
    return this.rosters.writing(outfit, version, async (db) => {
      await this.takes(db, outfit, take)
      await db.update(TakeEntity, { outfit }, { chosen: false })
      await db.update(TakeEntity, { id: take }, { chosen: true, reason })
    })
  }

  /** One voice for a take; who votes again has changed his mind. `take` null takes the voice back. */
  vote(outfit: string, version: number, voter: string, take: string | null): Promise<{ version: number }> {
    return this.rosters.writing(outfit, version, async (db) => {
      if (take === null) return void (await db.delete(VoteEntity, { outfit, voter }))
      await this.takes(db, outfit, take)
      await db.save(VoteEntity, { outfit, voter, take })
    })
  }

  /** Want a pin as it is, with a reason; an empty reason sticks it back in. */
  accept(
    outfit: string,
    version: number,
    take: string,
    { pin, cause, reason }: { pin: string; cause: string; reason: string },
  ): Promise<{ version: number }> {
    return this.rosters.writing(outfit, version, async (db) => {
      await this.takes(db, outfit, take)
      if (reason === '') await db.delete(AcceptedPinEntity, { take, pin })
      else await db.save(AcceptedPinEntity, { take, pin, cause, reason })
    })
  }

  private async takes(db: EntityManager, outfit: string, take: string): Promise<TakeEntity[]> {
    const takes = await db.findBy(TakeEntity, { outfit })
    if (!takes.some(({ id }) => id === take)) throw notFound('take', take)
    return takes
  }
}

function freeLetter(takes: readonly TakeEntity[]): string {
  const letters = Array.from({ length: 26 }, (_, i) => String.fromCharCode(65 + i))
  const label = letters.find((letter) => !takes.some((take) => take.label === letter))
  if (!label)
    throw new Problem(400, 'No letter is left for another take. Remove one, or give this one a name.', [
      { field: 'label', message: 'no letter is left' },
    ])
  return label
}

function refuseTaken(takes: readonly TakeEntity[], label: string): void {
  if (takes.some((take) => take.label === label))
    throw new Problem(400, `label: there is a take ${label} already. Nothing was written.`, [
      { field: 'label', message: `there is a take ${label} already` },
    ])
}

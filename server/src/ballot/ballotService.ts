import { Injectable } from '@nestjs/common'
import { createHash } from 'node:crypto'
import { DataSource } from 'typeorm'
import { monotonicFactory } from 'ulid'
import {
  BALLOT_SCRIPT,
  favouriteOf,
  ballotPage,
  MOST_CANDIDATES,
  readAnswers,
  takeAnswers,
  type Ballot,
  type BallotAnswer,
  type BallotCandidate,
} from '@outfit/core/ballot'
import { catalogueOf, type Catalogue, type Drawables } from '@outfit/core/catalogue'
import { SharesService } from '../allotment/sharesService.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { BallotAnswerEntity, BallotEntity } from '../schema/ballot.ts'
import { RosterEntity, VoteEntity } from '../schema/roster.ts'
import { embeddedFontCss } from '../paper/fonts.ts'
import type { NewBallot } from './ballotController.ts'

const ulid = monotonicFactory()

/** A ballot with its answers, and all that is needed to draw it. */
export interface BallotWithAnswers extends Drawables {
  ballot: Ballot
  answers: BallotAnswer[]
}

/** A ballot as it is listed. */
export interface BallotListed {
  id: string
  title: string
  madeAt: string
  way: Ballot['way']
  candidates: number
  answers: number
}

/** What came of answers that were brought in, in words. */
export interface AnswersBrought {
  taken: number
  /** Names of those that were there already, word for word. */
  again: string[]
  /** Names of those whose newer answer took the place of an older one. */
  instead: string[]
  /** Names of those whose newer answer is there already. */
  older: string[]
  refused: string[]
}

/** Questions put to others: what stands on them, the file others open, and their answers. */
@Injectable()
export class BallotService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly rosters: RosterService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** Ballots of a roster, the newest first. */
  async list(roster: string): Promise<BallotListed[]> {
    await this.refuseUnknown(roster)
    const ballots = await this.database
      .getRepository(BallotEntity)
      .find({ where: { roster, gone: false }, order: { id: 'DESC' } })
    const counts = new Map<string, number>()
    for (const { ballot } of await this.database
      .getRepository(BallotAnswerEntity)
      .find({ select: { ballot: true, voter: true } }))
      counts.set(ballot, (counts.get(ballot) ?? 0) + 1)
    return ballots.map(({ id, title, madeAt, way, candidates }) => ({
      ...{ id, title, madeAt, way },
      candidates: candidates.length,
      answers: counts.get(id) ?? 0,
    }))
  }

  private async refuseUnknown(roster: string): Promise<void> {
    if (!(await this.database.getRepository(RosterEntity).existsBy({ id: roster }))) throw notFound('roster', roster)
  }

  /** Put a question: about outfits of the roster, or about takes of one. What stands on it stays as it is now. */
  async make(roster: string, { title, question, way, outfits, outfit, takes }: NewBallot): Promise<{ id: string }> {
    await this.refuseUnknown(roster)
    const candidates = outfit ? await this.takesOf(roster, outfit, takes) : await this.outfitsOf(roster, outfits)
    if (candidates.length < 2)
      throw new Problem(409, 'Two that are dressed are needed at least to choose between.', [
        { field: outfit ? 'takes' : 'outfits', message: 'must be at least two that are dressed' },
      ])
    if (candidates.length > MOST_CANDIDATES)
      throw new Problem(
        409,
        `A ballot takes at most ${MOST_CANDIDATES}, and ${candidates.length} are dressed. Choose some of them.`,
        [{ field: outfit ? 'takes' : 'outfits', message: `must be at most ${MOST_CANDIDATES}` }],
      )
    const id = ulid()
    await this.writer.transaction((db) =>
      db.insert(BallotEntity, {
        ...{ id, roster, title, question, way, candidates },
        outfit: outfit ?? null,
        gone: false,
        madeAt: new Date().toISOString(),
      }),
    )
    return { id }
  }

  private async outfitsOf(roster: string, asked?: readonly string[]): Promise<BallotCandidate[]> {
    const shares = (await this.shares.asking()).filter((share) => share.roster.id === roster)
    const unknown = asked?.find((id) => !shares.some(({ outfit }) => outfit.id === id))
    if (unknown !== undefined) throw notFound('outfit', unknown)
    return shares
      .filter(({ outfit, placements }) => placements.length > 0 && (!asked || asked.includes(outfit.id)))
      .map(({ outfit, name, placements }) => ({ id: outfit.id, name, placements }))
  }

  private async takesOf(roster: string, outfit: string, asked?: readonly string[]): Promise<BallotCandidate[]> {
    const found = await this.rosters.outfit(outfit)
    if (found.roster.id !== roster) throw notFound('outfit', outfit)
    const unknown = asked?.find((id) => !found.takes.some((take) => take.id === id))
    if (unknown !== undefined) throw notFound('take', unknown)
    return found.takes
      .filter(({ id, placements }) => placements.length > 0 && (!asked || asked.includes(id)))
      .map(({ id, label, placements }) => ({ id, name: `Take ${label}`, placements }))
  }

  /** A ballot with its answers. */
  async of(id: string): Promise<BallotWithAnswers> {
    const ballot = await this.ballot(id)
    const answers = await this.database
      .getRepository(BallotAnswerEntity)
      .find({ where: { ballot: id }, order: { at: 'ASC' } })
    const { parts, prints } = await this.drawablesOf(ballot)
    return {
      ballot,
      answers: answers.map(({ voter, name, at, pairs, stars }) => ({ voter, name, at, pairs, stars })),
      parts,
      prints,
    }
  }

  private async ballot(id: string): Promise<Ballot> {
    const found = await this.database.getRepository(BallotEntity).findOneBy({ id })
    if (!found) throw notFound('ballot', id)
    const { gone: _gone, ...ballot } = found
    return ballot
  }

  private async drawablesOf({ candidates }: Ballot): Promise<Drawables> {
    const worn = candidates.flatMap(({ placements }) => placements)
    const parts = await this.catalogue.parts([...new Set(worn.map(({ part }) => part))])
    return { parts, prints: await this.catalogue.printsOn(parts, stickersOn(worn)) }
  }

  /** The file others open. */
  async page(id: string): Promise<{ html: string; name: string }> {
    const ballot = await this.ballot(id)
    const catalogue: Catalogue = catalogueOf({
      ...(await this.catalogue.basics()),
      ...(await this.drawablesOf(ballot)),
    })
    const html = ballotPage(ballot, catalogue, {
      fontCss: embeddedFontCss(JSON.stringify(ballot)),
      scriptHash: createHash('sha256').update(BALLOT_SCRIPT).digest('base64'),
    })
    return { html, name: `${ballot.title}.html` }
  }

  /** Bring answers in out of a text. What is sound is kept, whatever else stands there; each file counts once. */
  async bringIn(id: string, text: string): Promise<AnswersBrought> {
    const ballot = await this.ballot(id)
    const read = readAnswers(text, ballot)
    return this.writer.transaction(async (db) => {
      const kept = await db.findBy(BallotAnswerEntity, { ballot: id })
      const came = takeAnswers(kept, read.answers)
      // In their order, so that of two of one file the newer is written last.
      for (const answer of [...came.taken, ...came.instead])
        await db.upsert(BallotAnswerEntity, { ballot: id, ...answer }, ['ballot', 'voter'])
      const names = (answers: readonly BallotAnswer[]) => answers.map(({ name }) => name || 'somebody without a name')
      return {
        taken: came.taken.length,
        again: names(came.again),
        instead: names(came.instead),
        older: names(came.older),
        refused: read.refused,
      }
    })
  }

  /**
   * Give the takes voted on the voices of whoever put a name to an answer: each for the take that one is for. Takes that
   * have gone since get none. How many voices were given.
   */
  async giveVoices(id: string): Promise<{ voices: number }> {
    const { ballot, answers } = await this.of(id)
    const { outfit } = ballot
    if (outfit === null) throw new Problem(409, 'This ballot is about outfits; voices are given to takes.', [])
    const { takes, version } = await this.rosters.outfit(outfit)
    const votes = answers.flatMap((answer) => {
      const favourite = favouriteOf(answer, ballot.candidates.length)
      const take = favourite === null ? undefined : ballot.candidates[favourite]!.id
      return answer.name && take && takes.some((one) => one.id === take) ? [{ outfit, voter: answer.name, take }] : []
    })
    if (votes.length > 0)
      await this.rosters.writing(outfit, version, async (db) => {
        for (const vote of votes) await db.save(VoteEntity, vote)
      })
    return { voices: new Set(votes.map(({ voter }) => voter)).size }
  }

  /** Take an answer off the count. */
  async takeOff(id: string, voter: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.delete(BallotAnswerEntity, { ballot: id, voter })
      if (!affected) throw notFound('answer', voter)
    })
  }

  /** Remove a ballot, or put it back; its answers stay with it, also those that come meanwhile. */
  async remove(id: string, gone: boolean): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.update(BallotEntity, { id }, { gone })
      if (!affected) throw notFound('ballot', id)
    })
  }
}

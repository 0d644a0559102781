import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { BallotAnswer, BallotCandidate, BallotWay } from '@outfit/core/ballot'

/** A question put to others, with what stood on it then. */
@Entity('ballot')
export class BallotEntity {
  @PrimaryColumn('text') id: string
  @Column('text') roster: string
  /** The outfit whose takes are voted on; null where it is about outfits. */
  @Column('text', { nullable: true }) outfit: string | null
  @Column('text') title: string
  @Column('text') question: string
  @Column('text') way: BallotWay
  @Column('text') madeAt: string
  @Column('simple-json') candidates: BallotCandidate[]
  /** Removed, and kept so that it can be put back. */
  @Column('boolean') gone: boolean
}

/** What somebody answered; one to a file that was opened. */
@Entity('ballot_answer')
export class BallotAnswerEntity {
  @PrimaryColumn('text') ballot: string
  @PrimaryColumn('text') voter: string
  @Column('text') name: string
  @Column('text') at: string
  @Column('simple-json') pairs: BallotAnswer['pairs']
  @Column('simple-json') stars: number[]
}

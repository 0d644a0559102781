import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Answer, ListKind } from '@outfit/core/intake'

/** A list that was brought in. */
@Entity('intake')
export class IntakeEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  /** Name of its file. */
  @Column('text') name: string
  /** Hash of its bytes. */
  @Column('text') hash: string
  @Column('text') kind: ListKind
  @Column('integer') rows: number
  /** The act that moved its parts into the drawer; null for a list that moved none. */
  @Column('text', { nullable: true }) act: string | null
}

/** What was said of words of a list, for the next one that says them. */
@Entity('intake_answer')
export class IntakeAnswerEntity {
  /** Such as "colour lawinenweiss". */
  @PrimaryColumn('text') key: string
  @Column('simple-json') answer: Answer
}

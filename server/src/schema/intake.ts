import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Answer, ListKind } from '@outfit/core/intake'
import type { ColourEntity } from './catalogue.ts'
import type { SellerEntity } from './market.ts'

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
  /** What it made and changed besides, to be taken back by; null for nothing that could be. */
  @Column('simple-json', { nullable: true }) undo: IntakeUndo | null
  /** The day that was taken back; of an act the drawer knows. */
  @Column('text', { name: 'taken_back', nullable: true }) takenBack: string | null
}

/** A row of another table that a list wrote, changed or took away: as it was and as it is since, as arrays of its columns. */
@Entity('intake_row')
export class IntakeRowEntity {
  @PrimaryColumn('text') intake: string
  @PrimaryColumn('text') table: string
  @PrimaryColumn('integer') nth: number
  @Column('text', { nullable: true }) was: string | null
  @Column('text', { nullable: true }) now: string | null
}

/** What a line of a list says of its part that no column is for; of lists whose lines are in no history. */
@Entity('intake_remark')
export class IntakeRemarkEntity {
  @PrimaryColumn('text') intake: string
  @PrimaryColumn('integer') line: number
  @Column('text') part: string
  @Column('text') text: string
}

/** Entries a list made or changed. */
export interface IntakeUndo {
  releases: string[]
  figures: string[]
  /** What releases and figures were like, as hashes by table and code. */
  as: Readonly<Record<string, string>>
  sellers: Written<SellerEntity>
  colours: Written<ColourEntity>
}

/** Rows as they were written, with what stood there before. */
export interface Written<Row> {
  made: Row[]
  changed: { was: Row; now: Row }[]
}

/** What was said of words of a list, for the next one that says them. */
@Entity('intake_answer')
export class IntakeAnswerEntity {
  /** Such as "colour lawinenweiss". */
  @PrimaryColumn('text') key: string
  @Column('simple-json') answer: Answer
}

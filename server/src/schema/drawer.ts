import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { ActKind, Condition } from '@outfit/core/drawer'

@Entity('bin')
export class BinEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  /** The figure that stands together in it, a possible donor; null for a bin of loose parts. */
  @Column('text', { nullable: true }) figure: string | null
  /** The outfit that stands built in it; null for all other bins. */
  @Column('text', { nullable: true }) outfit: string | null
  /** The bin it is a tray of. */
  @Column('text', { nullable: true }) parent: string | null
  /** Place and size in the parts box, in fields of its ruled ground; null where it has not been placed. */
  @Column('integer', { nullable: true }) x: number | null
  @Column('integer', { nullable: true }) y: number | null
  @Column('integer', { nullable: true }) w: number | null
  @Column('integer', { nullable: true }) h: number | null
  /** Who has what lies in it, for things that were lent; null for what is here. */
  @Column('text', { nullable: true }) holder: string | null
}

/** Movements that belong together: all of them happened, or none. */
@Entity('act')
export class ActEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  @Column('text') kind: ActKind
  @Column('text') text: string
  /** The act this one takes back. */
  @Column('text', { nullable: true }) reverses: string | null
  /** The roster it was done for. */
  @Column('text', { nullable: true }) roster: string | null
  /** A picture by the hash of its content. */
  @Column('text', { nullable: true }) photo: string | null
}

/** Parts going from one place to another; rows are only ever added, which the database itself sees to. */
@Entity('movement')
export class MovementEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  @Column('text') part: string
  @Column('text', { name: 'from_bin', nullable: true }) from: string | null
  @Column('text', { name: 'to_bin', nullable: true }) to: string | null
  @Column('integer') qty: number
  @Column('text') reason: string
  /** null for movements older than acts. */
  @Column('text', { nullable: true }) act: string | null
  @Column('text') condition: Condition
}

/** What lies in a bin: the sum of movements, kept by triggers. Never written by hand. */
@Entity('lying')
export class LyingEntity {
  @PrimaryColumn('text') part: string
  @PrimaryColumn('text') bin: string
  @PrimaryColumn('text') condition: Condition
  @Column('integer') qty: number
}

/** Something worth remembering of a part or a figure: a misprint, a fault, a picture. */
@Entity('remark')
export class RemarkEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  @Column('text', { nullable: true }) part: string | null
  @Column('text', { nullable: true }) outfit: string | null
  @Column('text') kind: 'misprint' | 'fault' | 'photo' | 'note'
  @Column('text') text: string
  @Column('text', { nullable: true }) photo: string | null
}

/** An outfit that has a part whoever comes first. */
@Entity('promise')
export class PromiseEntity {
  @PrimaryColumn('text') outfit: string
  @PrimaryColumn('text') part: string
  @Column('integer') qty: number
}

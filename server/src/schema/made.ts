import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { MadeBand, MadeAs } from '@outfit/core/catalogue'

/** Something made of several parts. */
@Entity('made_item')
export class MadeItemEntity {
  @PrimaryColumn('text') id: string
  @Column('text') name: string
  @Column('text') wornAs: MadeAs
  /** What it is, as briefs wish for it; empty where nobody said. */
  @Column('text') what: string
  @Column('text') credit: string
  @Column('text') note: string
  /** How high the torso sits on a body of one's own, in figure units; 0 for all else. */
  @Column('real') height: number
  @Column('simple-json') bands: MadeBand[]
  @Column('integer') version: number
}

/** A piece of it, by its place on the board. */
@Entity('made_piece')
export class MadePieceEntity {
  @PrimaryColumn('text') item: string
  @PrimaryColumn('integer') position: number
  @Column('text') part: string
  @Column('real') x: number
  @Column('real') y: number
  @Column('real') turn: number
  @Column('boolean') mirrored: boolean
  @Column('boolean') front: boolean
}

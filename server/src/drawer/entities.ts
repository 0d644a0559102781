import { Column, Entity, PrimaryColumn } from 'typeorm'

@Entity('bin')
export class BinEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  /** The figure that stands together in it, a possible donor; null for a bin of loose parts. */
  @Column('text', { nullable: true }) figure: string | null
  /** The outfit that stands built in it; null for all other bins. */
  @Column('text', { nullable: true }) outfit: string | null
}

/** Parts going from one place to another; rows are only ever added. */
@Entity('movement')
export class MovementEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  @Column('text') part: string
  @Column('text', { name: 'from_bin', nullable: true }) from: string | null
  @Column('text', { name: 'to_bin', nullable: true }) to: string | null
  @Column('integer') qty: number
  @Column('text') reason: string
}

import { Column, Entity, PrimaryColumn } from 'typeorm'

/** How much of an errand of a list is done. */
@Entity('errand_tick')
export class ErrandTickEntity {
  /** The roster or plan the list is of. */
  @PrimaryColumn('text') list: string
  @PrimaryColumn('text') id: string
  @Column('integer') got: number
  @Column('text') at: string
}

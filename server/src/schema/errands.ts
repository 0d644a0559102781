import { Column, Entity, PrimaryColumn } from 'typeorm'

/** How much of an errand of a roster is done. */
@Entity('errand_tick')
export class ErrandTickEntity {
  @PrimaryColumn('text') roster: string
  @PrimaryColumn('text') id: string
  @Column('integer') got: number
  @Column('text') at: string
}

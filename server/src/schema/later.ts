import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Place } from '@outfit/core/brief'

/**
 * Something put off: a note on an outfit or a place of it. With a mould and colour it waits for a part that is made so,
 * with a part for an offer of it (of `atMost` or less, home currency, minor units).
 */
@Entity('later')
export class LaterEntity {
  @PrimaryColumn('text') id: string
  @Column('text', { nullable: true }) outfit: string | null
  @Column('text', { nullable: true }) place: Place | null
  @Column('text') note: string
  @Column('text', { nullable: true }) mould: string | null
  @Column('text', { nullable: true }) print: string | null
  @Column('text', { nullable: true }) colour: string | null
  @Column('text', { nullable: true }) part: string | null
  @Column('integer', { nullable: true }) atMost: number | null
  @Column('text') at: string
  /** The part that answers it, once one does. */
  @Column('text', { nullable: true }) answer: string | null
  @Column('text', { nullable: true }) answeredAt: string | null
  @Column('boolean') done: boolean
}

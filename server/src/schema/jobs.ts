import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A finished piece of long work with what it was asked and what came of it. */
@Entity('job')
export class JobEntity {
  @PrimaryColumn('text') id: string
  @Column('text') kind: string
  @Column('text') state: 'done' | 'failed' | 'cancelled'
  @Column('text') at: string
  @Column('simple-json') input: unknown
  @Column('simple-json', { nullable: true }) result: unknown
}

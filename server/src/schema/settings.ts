import { Column, Entity, PrimaryColumn } from 'typeorm'

/** One thing that is had otherwise than usual. */
@Entity('setting')
export class SettingEntity {
  @PrimaryColumn('text') name: string
  @Column('simple-json') value: unknown
}

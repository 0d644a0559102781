import { Column, Entity, PrimaryColumn } from 'typeorm'

/** Which header of a file stands for which column of a table, remembered by a name. */
@Entity('mapping')
export class MappingEntity {
  @PrimaryColumn('text') tableName: string
  @PrimaryColumn('text') name: string
  @Column('simple-json') columns: Record<string, string>
}

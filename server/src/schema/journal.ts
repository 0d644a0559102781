import { Column, Entity, PrimaryColumn } from 'typeorm'

/** Something that was done: what, when, and by which device. */
@Entity('journal')
export class JournalEntity {
  @PrimaryColumn('text') id: string
  /** The last moment of it, ISO 8601; what goes on for a while is one. */
  @Column('text') at: string
  @Column('text') device: string
  /** "Dressed Odile, skipper". */
  @Column('text') words: string
  /** Whether what it changed is all written down. */
  @Column('boolean') whole: boolean
  /** The entry it took back, and the one that took it back. */
  @Column('text', { nullable: true }) undoes: string | null
  @Column('text', { nullable: true }) undone: string | null
  /** The archive of everything as it was just before; null where none was kept. */
  @Column('text', { nullable: true }) copy: string | null
}

/** A row of another table as it was before and is after something was done; null for none. */
@Entity('journal_row')
export class JournalRowEntity {
  @PrimaryColumn('text') entry: string
  @PrimaryColumn('text') table: string
  /** Its primary key, as a JSON array. */
  @PrimaryColumn('text') key: string
  /** Its columns by name, as JSON. */
  @Column('text', { nullable: true }) was: string | null
  @Column('text', { nullable: true }) now: string | null
}

import { Column, Entity, PrimaryColumn } from 'typeorm'

/** One thing a browser keeps for itself: what is being typed there, and how its views are set. */
@Entity('browser_kept')
export class BrowserKeptEntity {
  /** The browser, by the name it gave itself. */
  @PrimaryColumn('text') browser: string
  @PrimaryColumn('text') name: string
  @Column('text') value: string
  /** When it was sent, ISO. */
  @Column('text') at: string
}

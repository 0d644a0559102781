import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Alteration, MadeOf, Slot } from '@outfit/core/catalogue'
import type { HeadOfAge, Switches } from '@outfit/core/roster'
import type { SealedPacks, Series } from '@outfit/core/series'
import type { CardChoices, SheetChoices } from '@outfit/core/show'

@Entity('roster')
export class RosterEntity {
  @PrimaryColumn('text') id: string
  @Column('text') name: string
  @Column('text') note: string
  /** The school of its house rules … */
  @Column('text') rules: string
  /** … and what differs from it. */
  @Column('simple-json') switches: Switches
  @Column('integer', { nullable: true }) budget: number | null
  @Column('text') currency: string
  @Column('text', { nullable: true }) dueOn: string | null
  @Column('integer') position: number
  /** What its sheet shows; null for the usual. Asked for by name alone. */
  @Column('simple-json', { nullable: true, select: false }) sheet: SheetChoices | null
  /** What it says as a numbered series; null where it is none. Asked for by name alone. */
  @Column('simple-json', { nullable: true, select: false }) series: Series | null
  /** Its packs once they are sealed, and which were opened. Asked for by name alone. */
  @Column('simple-json', { nullable: true, select: false }) sealed: SealedPacks | null
  /** Goes up with every write of the roster itself; a write with an older one is refused. */
  @Column('integer') version: number
}

@Entity('person')
export class CharacterEntity {
  @PrimaryColumn('text') id: string
  @Column('text') roster: string
  @Column('text') name: string
  @Column('integer') position: number
  /** Heads by age, where a series of them is stated; empty for one head in every outfit. */
  @Column('simple-json') heads: HeadOfAge[]
}

@Entity('outfit')
export class OutfitEntity {
  @PrimaryColumn('text') id: string
  @Column('text', { name: 'person' }) character: string
  @Column('text') name: string
  @Column('text') faction: string
  @Column('text') stature: string
  /** Its place on the shelf of its roster. */
  @Column('integer') position: number
  /** The released figure it began with; null for none. */
  @Column('text', { nullable: true }) base: string | null
  /** The uniform it shares; null for none. */
  @Column('text', { nullable: true }) uniform: string | null
  /** Goes up with every write to the outfit or its takes; a write with an older one is refused. */
  @Column('integer') version: number
  /** What differs from the house rules of the roster for this outfit, and why. */
  @Column('simple-json') switches: Switches
  @Column('text') switchesReason: string
  /** What its card shows; null for the usual. Asked for by name alone. */
  @Column('simple-json', { nullable: true, select: false }) card: CardChoices | null
}

@Entity('take')
export class TakeEntity {
  @PrimaryColumn('text') id: string
  @Column('text') outfit: string
  @Column('text') label: string
  @Column('boolean') chosen: boolean
  /** Why it was chosen, in the words of whoever chose it; empty where nobody said. */
  @Column('text') reason: string
}

/** Who is for which take; one voice each to an outfit. */
@Entity('vote')
export class VoteEntity {
  @PrimaryColumn('text') outfit: string
  @PrimaryColumn('text') voter: string
  @Column('text') take: string
}

/** A pin that is wanted as it is, with the reason; it counts as long as its cause stays the same. */
@Entity('accepted_pin')
export class AcceptedPinEntity {
  @PrimaryColumn('text') take: string
  @PrimaryColumn('text') pin: string
  @Column('text') cause: string
  @Column('text') reason: string
}

@Entity('placement')
export class PlacementEntity {
  @PrimaryColumn('text') take: string
  @PrimaryColumn('text') slot: Slot
  @PrimaryColumn('integer') order: number
  @Column('text') part: string
  @Column('boolean') turned: boolean
  /** What is done to it for good; null for a part as it was made. */
  @Column('simple-json', { nullable: true }) altered: Alteration[] | null
  /** What it is a piece of; null for a part by itself. */
  @Column('simple-json', { nullable: true }) made: MadeOf | null
}

/** What several outfits of a roster share. */
@Entity('uniform')
export class UniformEntity {
  @PrimaryColumn('text') id: string
  @Column('text') roster: string
  @Column('text') name: string
  @Column('integer') version: number
}

@Entity('uniform_placement')
export class UniformPlacementEntity {
  @PrimaryColumn('text') uniform: string
  @PrimaryColumn('text') slot: Slot
  @PrimaryColumn('integer') order: number
  @Column('text') part: string
  @Column('boolean') turned: boolean
  @Column('simple-json', { nullable: true }) altered: Alteration[] | null
  /** What it is a piece of; null for a part by itself. */
  @Column('simple-json', { nullable: true }) made: MadeOf | null
}

/** A picture of a built outfit that was taken away. */
@Entity('shown')
export class ShownEntity {
  @PrimaryColumn('text') outfit: string
  @PrimaryColumn('text') at: string
  /** Card, comparison, line-up. */
  @PrimaryColumn('text') how: string
}

/** Of two outfits of a roster, the one somebody preferred; the newest word counts. */
@Entity('preference')
export class PreferenceEntity {
  @PrimaryColumn('text') roster: string
  @PrimaryColumn('text') better: string
  @PrimaryColumn('text') worse: string
  @Column('text') at: string
}

/** What was taken off, with every row of it, so that it can be put back as it was. */
@Entity('removed')
export class RemovedEntity {
  @PrimaryColumn('text') id: string
  @Column('text') at: string
  @Column('text') what: 'roster' | 'outfits' | 'uniform'
  @Column('text') name: string
  @Column('text', { nullable: true }) roster: string | null
  @Column('simple-json') rows: {
    inserts: [table: string, row: Record<string, unknown>][]
    links: [string, string, string, string][]
  }
}

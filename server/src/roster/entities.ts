import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Slot } from '@outfit/core/catalogue'

@Entity('roster')
export class RosterEntity {
  @PrimaryColumn('text') id: string
  @Column('text') name: string
  @Column('text') note: string
  @Column('text') rules: string
  @Column('integer', { nullable: true }) budget: number | null
  @Column('text') currency: string
  @Column('text', { nullable: true }) dueOn: string | null
  @Column('integer') position: number
}

@Entity('person')
export class CharacterEntity {
  @PrimaryColumn('text') id: string
  @Column('text') roster: string
  @Column('text') name: string
  @Column('integer') position: number
}

@Entity('outfit')
export class OutfitEntity {
  @PrimaryColumn('text') id: string
  @Column('text', { name: 'person' }) character: string
  @Column('text') name: string
  @Column('text') faction: string
  @Column('text') stature: string
  @Column('integer') position: number
  /** Goes up with every write to the outfit or its takes; a write with an older one is refused. */
  @Column('integer') version: number
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
}

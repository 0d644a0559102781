import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { PictureOutline } from '@outfit/core/picture'
import type { Avoid, BriefWish, Weight } from '@outfit/core/brief'

/** What an outfit must show; its stature stands on the outfit. */
@Entity('brief')
export class BriefEntity {
  @PrimaryColumn('text') outfit: string
  @Column('simple-json') wishes: BriefWish[]
  @Column('text') statureWeight: Weight
  @Column('integer', { nullable: true }) years: number | null
  @Column('simple-json') abilities: string[]
  @Column('simple-json') avoid: Avoid
  @Column('text') notes: string
  @Column('text') credits: string
  /** Goes up with every write; a write with an older one is refused. */
  @Column('integer') version: number
}

/** A reference picture of a character; with `outfit`, of that outfit alone. */
@Entity('reference')
export class ReferenceEntity {
  @PrimaryColumn('text') id: string
  @Column('text', { name: 'person' }) character: string
  @Column('text', { nullable: true }) outfit: string | null
  @Column('text') photo: string
  @Column('text') caption: string
  /** Where in it the character is. */
  @Column('simple-json', { nullable: true }) outline: PictureOutline | null
}

/** Wishes of a role kept under a name, to begin other briefs with. */
@Entity('wish_template')
export class WishTemplateEntity {
  @PrimaryColumn('text') id: string
  @Column('text', { unique: true }) name: string
  @Column('simple-json') wishes: BriefWish[]
}

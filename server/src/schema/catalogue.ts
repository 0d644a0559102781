import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Connection, Cover, Finish, Layer, Level, PartKind, Slot, Traits } from '@outfit/core/catalogue'

@Entity('colour')
export class ColourEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') hex: string
  @Column('text') family: string
  @Column('text') finish: Finish
}

@Entity('mould')
export class MouldEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') kind: PartKind
  @Column('text') silhouette: string
  @Column('real') neckThickness: number
  @Column('real') height: number
  @Column('real') mass: number
  @Column('simple-json') connections: Connection[]
  @Column('simple-json') covers: Cover[]
  @Column('simple-json') traits: Traits
}

@Entity('print')
export class PrintEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') kind: PartKind
  @Column('simple-json') front: Layer[]
  @Column('simple-json') back: Layer[]
  @Column('simple-json') traits: Traits
}

@Entity('part')
export class PartEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') mould: string
  /** Copied from the mould, so that a tray finds its candidates through an index. */
  @Column('text') kind: PartKind
  @Column('simple-json') colours: string[]
  @Column('text', { nullable: true }) print: string | null
  @Column('integer', { nullable: true }) year: number | null
  @Column('text', { nullable: true }) photo: string | null
}

@Entity('component')
export class ComponentEntity {
  @PrimaryColumn('text') assembly: string
  @PrimaryColumn('text') slot: Slot
  @Column('text') part: string
  @Column('integer') level: Level
}

@Entity('figure')
export class FigureEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('integer') year: number
  @Column('text', { nullable: true }) photo: string | null
}

@Entity('figure_part')
export class FigurePartEntity {
  @PrimaryColumn('text') figure: string
  @PrimaryColumn('text') slot: Slot
  @PrimaryColumn('integer') order: number
  @Column('text') part: string
}

@Entity('release')
export class ReleaseEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('text') kind: string
  @Column('integer') year: number
  @Column('integer') price: number
  @Column('text') currency: string
  @Column('boolean') inProduction: boolean
  @Column('text', { nullable: true }) photo: string | null
}

@Entity('release_content')
export class ReleaseContentEntity {
  @PrimaryColumn('text') release: string
  @PrimaryColumn('text') kind: 'part' | 'figure'
  @PrimaryColumn('text') code: string
  @Column('integer') qty: number
}

/** How many of a figure stand in one full case of a blind pack. */
@Entity('case_content')
export class CaseContentEntity {
  @PrimaryColumn('text') release: string
  @PrimaryColumn('text') figure: string
  @Column('integer') qty: number
}

/** A re-encoded picture in the folder of files, by the SHA-256 of its bytes. */
@Entity('photo')
export class PhotoEntity {
  @PrimaryColumn('text') hash: string
  @Column('integer') width: number
  @Column('integer') height: number
  @Column('integer') bytes: number
}

/** A mould and print wished for in a colour; fulfilled by the part that brought it. */
@Entity('wish')
export class WishEntity {
  @PrimaryColumn('text') id: string
  @Column('text') mould: string
  @Column('text', { nullable: true }) print: string | null
  @Column('text') colour: string
  @Column('text') at: string
  @Column('text', { name: 'fulfilled_by', nullable: true }) fulfilledBy: string | null
  @Column('text', { name: 'fulfilled_at', nullable: true }) fulfilledAt: string | null
  /** Whether the news that it is fulfilled was seen. */
  @Column('boolean') seen: boolean
}

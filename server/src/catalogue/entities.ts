import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Finish, Layer, PartKind, Slot, Traits } from '@outfit/core/catalogue'

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
}

@Entity('component')
export class ComponentEntity {
  @PrimaryColumn('text') assembly: string
  @PrimaryColumn('text') slot: Slot
  @Column('text') part: string
}

@Entity('figure')
export class FigureEntity {
  @PrimaryColumn('text') code: string
  @Column('text') name: string
  @Column('integer') year: number
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
}

@Entity('release_content')
export class ReleaseContentEntity {
  @PrimaryColumn('text') release: string
  @PrimaryColumn('text') kind: 'part' | 'figure'
  @PrimaryColumn('text') code: string
  @Column('integer') qty: number
}

/** How light meets a colour. `solid` is opaque; the others change how a mould in that colour is drawn. */
export const FINISHES = ['solid', 'clear', 'metal', 'pearl', 'glow'] as const
export type Finish = (typeof FINISHES)[number]

/** A palette entry. `code` is a stable slug; `hex` is sRGB as #RRGGBB. */
export interface Colour {
  code: string
  name: string
  hex: string
  finish: Finish
  family: string
}

/** What a mould is, which decides the slots it may be worn in. The last two are assemblies, sold as one piece. */
export const PART_KINDS = [
  'headgear',
  'head',
  'face',
  'neck',
  'torso',
  'arm-left',
  'arm-right',
  'hand',
  'wrist',
  'waist',
  'hips',
  'leg-left',
  'leg-right',
  'lower',
  'feet',
  'held',
  'beside',
  'dressed-torso',
  'leg-pair',
] as const
export type PartKind = (typeof PART_KINDS)[number]

/** Where a mould holds on to others: what it plugs into or what plugs into it. */
export const CONNECTIONS = ['crown', 'neck', 'shoulder', 'wrist', 'waist', 'hip', 'grip', 'sole'] as const
export type Connection = (typeof CONNECTIONS)[number]

/** What a mould hides of the figure under it. */
export const COVERS = ['hair', 'nape', 'face', 'chest', 'back', 'arms', 'legs'] as const
export type Cover = (typeof COVERS)[number]

/** Free descriptive facts, such as `{ hairLength: 'short', tied: 'yes' }`; keys are listed in docs/traits.md. */
export type Traits = Record<string, string>

/** A shape. `silhouette` names the drawing in core/mannequin; lengths in millimetres, mass in grams. */
export interface Mould {
  code: string
  name: string
  kind: PartKind
  silhouette: string
  /** Room it takes on the neck, in millimetres; 0 for everything not worn there. */
  neckThickness: number
  /** Height it adds above the skull (headgear) or below the sole (risers), in millimetres. */
  height: number
  mass: number
  connections: Connection[]
  covers: Cover[]
  traits: Traits
}

/** One painted layer of a print: `kind` names a function in core/mannequin, the rest are its settings. */
export interface Layer {
  kind: string
  [setting: string]: string | number | boolean
}

/** A print: layers for the front and the back, bottom first. On a head, `back` is the second face. */
export interface Print {
  code: string
  name: string
  kind: PartKind
  front: Layer[]
  back: Layer[]
  traits: Traits
}

/**
 * How far something is taken apart: 0 as sold, 1 a figure into assemblies, 2 hands, 3 arms (stress for the torso), 4 legs
 * off the hips, 5 altered for good.
 */
export type Level = 0 | 1 | 2 | 3 | 4 | 5

/** The level at which the part in a slot comes off its assembly, unless a component says otherwise. */
export const TAKING_APART: Partial<Record<Slot, Level>> = {
  handRight: 2,
  handLeft: 2,
  armRight: 3,
  armLeft: 3,
  torso: 3,
  hips: 4,
  legRight: 4,
  legLeft: 4,
}

/** Where an atomic part sits inside an assembly, and how far that must be taken apart to get it. */
export interface Component {
  slot: Slot
  part: string
  level: Level
}

/** A mould in one or more colours (the first is the main one) with at most one print. Fields are codes. */
export interface Part {
  code: string
  name: string
  mould: string
  colours: string[]
  print: string | null
  year: number | null
  /** Content hash of its own photo, shown where there is no drawing of it; null for none. */
  photo: string | null
  /** Not empty for assemblies: the atomic parts it comes apart into. */
  components: Component[]
}

/** Parts with the prints they wear, as answers carry them. */
export interface Drawables {
  parts: Part[]
  prints: Print[]
}

/** A place on the mannequin. Left and right are the figure's own. */
export const SLOTS = [
  'headgear',
  'head',
  'face',
  'neck',
  'torso',
  'armRight',
  'armLeft',
  'handRight',
  'handLeft',
  'wristRight',
  'wristLeft',
  'waist',
  'hips',
  'legRight',
  'legLeft',
  'lower',
  'feet',
  'heldRight',
  'heldLeft',
  'beside',
] as const
export type Slot = (typeof SLOTS)[number]

/** What can be done to a part for good. `by-others` is a copy of the part that somebody else made. */
export const ALTERATION_KINDS = ['print-removed', 'trimmed', 'cut', 'painted', 'sticker', 'by-others'] as const
export type AlterationKind = (typeof ALTERATION_KINDS)[number]

/** Something planned for a worn part that cannot be taken back once it is done. */
export interface Alteration {
  kind: AlterationKind
  /** Colour code of the paint. */
  colour?: string
  /** Code of the print the sticker shows. */
  print?: string
  /** Share of its length that is taken off by trimming or cutting, in percent. */
  share?: number
  /** How it is done or by whom, in the words of whoever plans it. */
  note: string
  /** It has been done and cannot be taken back; missing while it is only planned. */
  final?: true
}

/** What something made of several parts is worn as: in a hand, beside the figure, on its back, over its shoulders, in place of legs. */
export const MADE_AS = ['held', 'beside', 'back', 'shoulders', 'lower'] as const
export type MadeAs = (typeof MADE_AS)[number]

/**
 * Where a piece sits on the board of what it is part of, in figure units (y down) from where that is held, stands, or meets
 * the body.
 */
export interface Fixed {
  x: number
  y: number
  /** Degrees clockwise. */
  turn: number
  mirrored: boolean
  /** Over the hand or body instead of under it. */
  front: boolean
}

/** A string or a rubber band of something made: a piece without a code, from one point of the board to another. */
export interface MadeBand {
  name: string
  /** Colour code. */
  colour: string
  x: number
  y: number
  toX: number
  toY: number
}

/** What a worn piece is part of that is made of several parts, and its place in it. */
export interface MadeOf extends Fixed {
  /** Id of the made item. */
  item: string
  name: string
  as: MadeAs
  /** Its number among the pieces; a copy begins with piece 0. */
  piece: number
  /** This copy stays as it is when the item changes. */
  kept?: true
  /** With piece 0. What it is, as briefs wish for it: "staff". */
  what?: string
  /** With piece 0, worn as `lower`: how high the torso sits above the ground, in figure units. */
  height?: number
  /** With piece 0. */
  bands?: MadeBand[]
}

/** A part worn in a slot. `neck` and `beside` hold several, innermost first by `order`. */
export interface Placement {
  slot: Slot
  part: string
  order: number
  /** Turned round: a torso shows its back print in front, a head its second face. */
  turned: boolean
  /** What is done to it for good; missing for a part as it was made. */
  altered?: Alteration[]
  /** What it is a piece of, where it is worn as part of something made; its order counts on through the pieces. */
  made?: MadeOf
}

/** Everything a drawing or a check needs to know about the parts at hand, by code. */
export interface Catalogue {
  colours: ReadonlyMap<string, Colour>
  moulds: ReadonlyMap<string, Mould>
  prints: ReadonlyMap<string, Print>
  parts: ReadonlyMap<string, Part>
}

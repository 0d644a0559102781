import { In, type EntityManager } from 'typeorm'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import {
  MAIN_PIECE,
  plainPieces,
  printFits,
  TAKING_APART,
  type Colour,
  type Mould,
  type Slot,
} from '@outfit/core/catalogue'
import { inksOf, printMade, type ListedPart } from '@outfit/core/intake'
import { piecesListed } from '@outfit/core/starter'
import { ColourEntity, ComponentEntity, MouldEntity, PartEntity, PrintEntity } from '../schema/catalogue.ts'
import { writeRows } from '../tables/tableWriter.ts'

/** Colours parts of a list may be of, by code. */
export type Palette = ReadonlyMap<string, Colour>

/** Moulds of the starter shelf that are spoken of become the workspace's own, with the pieces they come apart into. */
export async function ownMoulds(
  db: EntityManager,
  wanted: ReadonlySet<string>,
  moulds: readonly Mould[],
): Promise<void> {
  const all = new Set([
    ...wanted,
    ...moulds
      .filter(({ code }) => wanted.has(code))
      .flatMap((one) => piecesListed(one, moulds).map(({ mould }) => mould.code)),
  ])
  const there = new Set((await db.findBy(MouldEntity, { code: In([...all]) })).map(({ code }) => code))
  await writeRows(
    db,
    MouldEntity,
    moulds.filter(({ code }) => all.has(code) && !there.has(code)),
  )
}

/** Makes the parts rows speak of; equal ones once. */
export class PartMaker {
  readonly made: string[] = []
  private readonly codes = new Map<string, string>()
  private readonly pieces = new Map<string, { slot: Slot; mould: Mould }[]>()
  private next = 0

  constructor(
    private readonly db: EntityManager,
    private readonly moulds: readonly Mould[],
    private readonly palette: Palette,
  ) {}

  /** The code of a part of the list: that of one there is, or of one made of its mould, colour and print. */
  async codeOf(part: ListedPart): Promise<string> {
    if (part.code !== null) return part.code
    const key = JSON.stringify([part.mould, part.colour, part.printed ? part.name : null, part.name])
    const known = this.codes.get(key)
    if (known) return known
    const code = await this.make(part)
    this.codes.set(key, code)
    return code
  }

  /** What is printed with is of the workspace too. */
  private async ownInks(inks: readonly string[]): Promise<void> {
    const there = new Set((await this.db.findBy(ColourEntity, { code: In([...inks]) })).map(({ code }) => code))
    await writeRows(
      this.db,
      ColourEntity,
      inks.filter((code) => !there.has(code)).map((code) => this.palette.get(code)!),
    )
  }

  private async make({ name, mould, colour, printed, inks }: ListedPart): Promise<string> {
    const kind = this.mould(mould).kind
    const code = await this.freeCode()
    let print: string | null = null
    if (printed) {
      print = `D-${code.slice(2)}`
      const drawn = printMade(name, { colour, inks }, kind, [...this.palette.values()])
      await this.ownInks(inksOf(drawn, new Set(this.palette.keys())))
      await this.db.insert(PrintEntity, { code: print, name, kind: MAIN_PIECE[kind] ?? kind, ...drawn })
    }
    await this.db.insert(PartEntity, { code, name, mould, kind, colours: [colour], print, year: null, photo: null })
    this.made.push(code)
    await this.makePieces({ code, name, mould, kind, colours: [colour], print })
    return code
  }

  /**
   * The pieces of an assembly, made where there are none like them: what carries its print in its main colour, sleeves in the
   * second and hands in the third, where it has so many; hands nobody has told the colour of are left out. How many places
   * have a piece now: none for a part that is one piece.
   */
  async makePieces(whole: Omit<PartEntity, 'year' | 'photo'>): Promise<number> {
    const { code, name, mould, kind, print } = whole
    const [main, sleeves = main, hands] = whole.colours
    let told = 0
    for (const { slot, mould: piece } of this.piecesOf(mould, hands !== undefined)) {
      const colour = piece.kind === 'hand' ? hands : piece.kind.startsWith('arm') ? sleeves : main
      await this.db.insert(ComponentEntity, {
        assembly: code,
        slot,
        part:
          print !== null && printFits(MAIN_PIECE[kind]!, piece.kind)
            ? await this.printedPiece(name, piece, slot, colour!, print)
            : await this.piece(piece.code, colour!),
        level: TAKING_APART[slot] ?? 1,
      })
      told++
    }
    return told
  }

  /** Pieces of a mould, looked for once. */
  private piecesOf(code: string, withHands: boolean): { slot: Slot; mould: Mould }[] {
    if (withHands) return plainPieces(this.mould(code), this.moulds)
    const known = this.pieces.get(code) ?? piecesListed(this.mould(code), this.moulds)
    this.pieces.set(code, known)
    return known
  }

  /** The piece of an assembly that carries its print: both legs of a pair, the torso of one with arms. */
  private async printedPiece(whole: string, piece: Mould, slot: Slot, colour: string, print: string): Promise<string> {
    const code = await this.freeCode()
    const name = `${whole}, ${SLOT_FACTS[slot].label.toLowerCase()}`
    const row = { code, name, mould: piece.code, kind: piece.kind, colours: [colour], print, year: null, photo: null }
    await this.db.insert(PartEntity, row)
    this.made.push(code)
    return code
  }

  /** A plain piece of an assembly: the one there is, or a new one. */
  private async piece(mould: string, colour: string): Promise<string> {
    const [there] = (await this.db.query(
      'SELECT code FROM part WHERE mould = ? AND print IS NULL AND colours = json_array(?) ORDER BY code LIMIT 1',
      [mould, colour],
    )) as { code: string }[]
    return (
      there?.code ?? this.make({ code: null, name: this.mould(mould).name, mould, colour, printed: false, inks: [] })
    )
  }

  private mould(code: string): Mould {
    return this.moulds.find((mould) => mould.code === code)!
  }

  private async freeCode(): Promise<string> {
    for (;;) {
      const code = `P-OWN-${++this.next}`
      if (!(await this.db.existsBy(PartEntity, { code }))) return code
    }
  }
}

import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import { cycleIn, printFits, type PartKind } from '@outfit/core/catalogue'
import type { Reject, TableName, TableRow } from '@outfit/core/tables'
import { layerFaults, SILHOUETTES } from '@outfit/core/mannequin'
import { ColourEntity, ComponentEntity, MouldEntity, PrintEntity } from '../schema/catalogue.ts'
import { SellerEntity } from '../schema/market.ts'
import { offerFaults, unknownCode } from './offerFaults.ts'
import { TABLE_TARGETS, type TableTarget } from './tableTargets.ts'

type Fault = Omit<Reject, 'line'>

/** Moulds and prints must be drawable: their silhouette and layers must be ones the mannequin knows. */
function drawingFaults(table: TableName, row: unknown, isColour: (code: string) => boolean): Fault[] {
  if (table === 'moulds') {
    const { kind, silhouette } = row as TableRow<'moulds'>
    const known = SILHOUETTES[kind]
    return known && !known.includes(silhouette)
      ? [{ column: 'silhouette', reason: `silhouette "${silhouette}" is not known for ${kind}` }]
      : []
  }
  if (table === 'prints') {
    const { kind, front, back } = row as TableRow<'prints'>
    return Object.entries({ front, back }).flatMap(([column, layers]) =>
      layers.flatMap((layer) => layerFaults(kind, layer, isColour).map(({ reason }) => ({ column, reason }))),
    )
  }
  return []
}

/**
 * Moulds, prints and parts something else is made or dressed with. They keep their kind: with another one, parts would
 * carry prints they cannot have and stand in slots they do not fit.
 */
const IN_USE: Partial<Record<TableName, string>> = {
  moulds: 'SELECT code, kind FROM mould WHERE code IN (SELECT mould FROM part)',
  prints: 'SELECT code, kind FROM print WHERE code IN (SELECT print FROM part)',
  parts: `SELECT code, kind FROM part WHERE code IN
    (SELECT part FROM figure_part UNION SELECT part FROM placement UNION SELECT part FROM component)`,
}

/** What is known of kinds, by code. */
interface Kinds {
  /** Of moulds and of prints, for parts. */
  moulds: Map<string, PartKind>
  prints: Map<string, PartKind>
  /** Of the entries of the table that are in use. */
  used: Map<string, PartKind>
  /** Colours there are, for prints. */
  colours: Set<string>
  /** Currencies of sellers, for offers. */
  currencies: Map<string, string>
}

/**
 * Checks the rows of one import against each other and against the database, and turns good ones into what is written.
 * Codes are read once; each row is then checked without asking the database.
 */
export class RowChecker<T extends TableName> {
  private readonly seen = new Set<string>()
  private readonly refers: readonly [keyof TableRow<T> & string, EntityTarget<ObjectLiteral>[]][]
  private readonly trays: { line: number; code: string; parent: string | null }[] = []
  private readonly inside: { line: number; assembly: string; part: string; slot: string }[] = []

  private constructor(
    private readonly table: T,
    private readonly target: TableTarget<T>,
    private readonly codes: ReadonlyMap<EntityTarget<ObjectLiteral>, Set<string>>,
    private readonly kinds: Kinds,
    private readonly components: readonly ComponentEntity[],
  ) {
    this.refers = Object.entries(target.refers) as [keyof TableRow<T> & string, EntityTarget<ObjectLiteral>[]][]
  }

  static async open<T extends TableName>(db: EntityManager, table: T): Promise<RowChecker<T>> {
    const target = TABLE_TARGETS[table] as unknown as TableTarget<T>
    const codes = new Map<EntityTarget<ObjectLiteral>, Set<string>>()
    for (const entities of Object.values(target.refers) as EntityTarget<ObjectLiteral>[][])
      for (const entity of entities)
        if (!codes.has(entity)) {
          const rows = await db.find(entity, { select: { code: true } })
          codes.set(entity, new Set(rows.map((row) => row['code'] as string)))
        }
    const kindsOf = (rows: readonly { code: string; kind: PartKind }[]) =>
      new Map(rows.map(({ code, kind }) => [code, kind]))
    const select = { code: true, kind: true } as const
    const kinds: Kinds = {
      moulds: kindsOf(table === 'parts' ? await db.find(MouldEntity, { select }) : []),
      prints: kindsOf(table === 'parts' ? await db.find(PrintEntity, { select }) : []),
      used: kindsOf(IN_USE[table] ? await db.query(IN_USE[table]) : []),
      colours: new Set(
        (table === 'prints' ? await db.find(ColourEntity, { select: { code: true } }) : []).map(({ code }) => code),
      ),
      currencies: new Map(
        (table === 'offers' ? await db.find(SellerEntity, { select: { code: true, currency: true } }) : []).map(
          ({ code, currency }) => [code, currency],
        ),
      ),
    }
    const components = table === 'components' ? await db.find(ComponentEntity) : []
    return new RowChecker(table, target, codes, kinds, components)
  }

  /** Prints an import makes on the way, which its parts may then name. */
  know({ code, kind }: { code: string; kind: PartKind }): void {
    this.codes.get(PrintEntity)?.add(code)
    this.kinds.prints.set(code, kind)
  }

  /** The row as it is written, or null with its faults pushed to `rejects`. */
  check(row: TableRow<T>, line: number, rejects: Reject[]): ObjectLiteral | null {
    const faults = [
      ...this.duplicate(row),
      ...drawingFaults(this.table, row, (code) => this.kinds.colours.has(code)),
      ...this.references(row),
      ...this.kindFaults(row),
      ...this.offerFaults(row),
    ]
    for (const fault of faults) rejects.push({ line, ...fault })
    if (faults.length > 0) return null
    // Rows may name others of the same table, also further down in the file.
    if ('code' in row) this.codes.get(this.target.entity)?.add(row.code as string)
    if (this.table === 'bins') this.trays.push({ line, ...(row as TableRow<'bins'>) })
    if (this.table === 'components') this.inside.push({ line, ...(row as TableRow<'components'>) })
    return this.target.convert ? this.target.convert(row, this.kinds.moulds) : row
  }

  /** Faults only the whole file shows: assemblies that would contain themselves or another assembly. */
  finish(rejects: Reject[]): void {
    this.finishTrays(rejects)
    if (this.table !== 'components') return
    const own = new Set(this.inside.map(({ assembly, slot }) => `${assembly} ${slot}`))
    const kept = this.components.filter(({ assembly, slot }) => !own.has(`${assembly} ${slot}`))
    const pairs = [...kept, ...this.inside]
    const cycle = cycleIn(pairs)
    const assemblies = new Set(pairs.map(({ assembly }) => assembly))
    const ring = new Set(cycle)
    for (const { line, assembly, part } of this.inside) {
      if (cycle && ring.has(assembly) && ring.has(part))
        rejects.push({ line, column: 'part', reason: `${assembly} would contain itself: ${cycle.join(' → ')}` })
      else if (assemblies.has(part))
        rejects.push({
          line,
          column: 'part',
          reason: `part "${part}" is an assembly; name the parts it comes apart into`,
        })
    }
  }

  /** Bins that lie in bins there are not, or in themselves. */
  private finishTrays(rejects: Reject[]): void {
    const known = this.codes.get(this.target.entity)
    const ring = new Set(
      cycleIn(this.trays.flatMap(({ code, parent }) => (parent ? [{ assembly: code, part: parent }] : []))),
    )
    for (const { line, code, parent } of this.trays)
      if (parent !== null && !known?.has(parent))
        rejects.push({ line, column: 'parent', reason: `parent "${parent}" is not known` })
      else if (ring.has(code)) rejects.push({ line, column: 'parent', reason: `${code} would lie in itself` })
  }

  private duplicate(row: TableRow<T>): Fault[] {
    const key = this.target.key?.(row)
    if (key === undefined) return []
    if (this.seen.has(key)) return [{ column: null, reason: `"${key}" stands in the file twice` }]
    this.seen.add(key)
    return []
  }

  /** A part whose print is for another kind; a mould, print or part in use that would become something else. */
  private kindFaults(row: TableRow<T>): Fault[] {
    if (this.table !== 'parts' && this.table !== 'moulds' && this.table !== 'prints') return []
    const { code, mould, print, kind } = row as Partial<TableRow<'parts'> & TableRow<'moulds'>> & { code: string }
    const own = kind ?? this.kinds.moulds.get(mould!)
    const printed = print ? this.kinds.prints.get(print) : undefined
    const used = this.kinds.used.get(code)
    const column = this.table === 'parts' ? 'mould' : 'kind'
    return [
      ...(own && printed && !printFits(printed, own)
        ? [{ column: 'print', reason: `print "${print}" is for ${printed}, the mould is ${own}` }]
        : []),
      ...(own && used && own !== used
        ? [{ column, reason: `${code} is in use as ${used} and cannot become ${own}` }]
        : []),
    ]
  }

  private offerFaults(row: TableRow<T>): Fault[] {
    if (this.table !== 'offers') return []
    const offer = row as TableRow<'offers'>
    return offerFaults(offer, this.kinds.currencies.get(offer.seller))
  }

  private references(row: TableRow<T>): Fault[] {
    const faults: Fault[] = []
    for (const [column, entities] of this.refers) {
      const value = row[column] as string | string[] | null
      if (value === null || entities[0] === this.target.entity) continue
      const entity = entities.length === 1 ? entities[0]! : this.target.choose!(row, entities)
      const known = this.codes.get(entity)!
      for (const code of Array.isArray(value) ? value : [value])
        if (!known.has(code)) faults.push(unknownCode(column, code))
    }
    return faults
  }
}

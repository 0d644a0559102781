import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import { cycleIn } from '@outfit/core/catalogue'
import type { Reject, TableName, TableRow } from '@outfit/core/formats'
import { LAYER_KINDS, SILHOUETTES } from '@outfit/core/mannequin'
import { ComponentEntity, MouldEntity, PrintEntity } from '../catalogue/entities.ts'
import { TABLE_TARGETS, type TableTarget } from './tableTargets.ts'

type Fault = Omit<Reject, 'line'>

/** Moulds and prints must be drawable: their silhouette and layers must be ones the mannequin knows. */
export function drawingFaults(table: TableName, row: unknown): Fault[] {
  if (table === 'moulds') {
    const { kind, silhouette } = row as TableRow<'moulds'>
    const known = SILHOUETTES[kind]
    return known && !known.includes(silhouette)
      ? [{ column: 'silhouette', reason: `silhouette "${silhouette}" is not known for ${kind}` }]
      : []
  }
  if (table === 'prints') {
    const { kind, front, back } = row as TableRow<'prints'>
    const known = LAYER_KINDS[kind] ?? []
    return Object.entries({ front, back }).flatMap(([column, layers]) =>
      layers.flatMap((layer) =>
        known.includes(layer.kind) ? [] : [{ column, reason: `layer "${layer.kind}" is not known for ${kind}` }],
      ),
    )
  }
  return []
}

/**
 * Checks the rows of one import against each other and against the database, and turns good ones into what is written.
 * Codes are read once; each row is then checked without asking the database.
 */
export class RowChecker<T extends TableName> {
  private readonly seen = new Set<string>()
  private readonly inside: { line: number; assembly: string; part: string; slot: string }[] = []

  private constructor(
    private readonly table: T,
    private readonly target: TableTarget<T>,
    private readonly codes: ReadonlyMap<EntityTarget<ObjectLiteral>, Set<string>>,
    private readonly kinds: ReadonlyMap<string, string>,
    private readonly components: readonly ComponentEntity[],
  ) {}

  static async open<T extends TableName>(db: EntityManager, table: T): Promise<RowChecker<T>> {
    const target = TABLE_TARGETS[table] as unknown as TableTarget<T>
    const codes = new Map<EntityTarget<ObjectLiteral>, Set<string>>()
    for (const entities of Object.values(target.refers) as EntityTarget<ObjectLiteral>[][])
      for (const entity of entities)
        if (!codes.has(entity)) {
          const rows = await db.find(entity, { select: { code: true } })
          codes.set(entity, new Set(rows.map((row) => row['code'] as string)))
        }
    const moulds = table === 'parts' ? await db.find(MouldEntity, { select: { code: true, kind: true } }) : []
    const components = table === 'components' ? await db.find(ComponentEntity) : []
    return new RowChecker(table, target, codes, new Map(moulds.map(({ code, kind }) => [code, kind])), components)
  }

  /** Prints an import makes on the way, which its parts may then name. */
  know(printCode: string): void {
    this.codes.get(PrintEntity)?.add(printCode)
  }

  /** The row as it is written, or null with its faults pushed to `rejects`. */
  check(row: TableRow<T>, line: number, rejects: Reject[]): ObjectLiteral | null {
    const faults = [...this.duplicate(row), ...drawingFaults(this.table, row), ...this.references(row)]
    for (const fault of faults) rejects.push({ line, ...fault })
    if (faults.length > 0) return null
    if (this.table === 'components') this.inside.push({ line, ...(row as TableRow<'components'>) })
    return this.target.convert ? this.target.convert(row, this.kinds) : row
  }

  /** Faults only the whole file shows: assemblies that would contain themselves or another assembly. */
  finish(rejects: Reject[]): void {
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

  private duplicate(row: TableRow<T>): Fault[] {
    const key = this.target.key?.(row)
    if (key === undefined) return []
    if (this.seen.has(key)) return [{ column: null, reason: `"${key}" stands in the file twice` }]
    this.seen.add(key)
    return []
  }

  private references(row: TableRow<T>): Fault[] {
    const faults: Fault[] = []
    const refers = Object.entries(this.target.refers) as [keyof TableRow<T> & string, EntityTarget<ObjectLiteral>[]][]
    for (const [column, entities] of refers) {
      const value = row[column] as string | string[] | null
      if (value === null) continue
      const entity = entities.length === 1 ? entities[0]! : this.target.choose!(row, entities)
      const known = this.codes.get(entity)!
      for (const code of [value].flat())
        if (!known.has(code)) faults.push({ column, reason: `${column} "${code}" is not known` })
    }
    return faults
  }
}

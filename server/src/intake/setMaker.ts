import { In, type EntityManager } from 'typeorm'
import { fold, groupBy } from '@outfit/core/base'
import { dressedIn } from '@outfit/core/anatomy'
import { catalogueOf, type Mould, type Part } from '@outfit/core/catalogue'
import { type IntakeResult, type ListedRow } from '@outfit/core/intake'
import { homeCurrency } from '@outfit/core/market'
import {
  ComponentEntity,
  FigureEntity,
  FigurePartEntity,
  PartEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from '../schema/catalogue.ts'

/** What a set is called where the list gives it a number: letters, digits and signs, with a digit among them. */
const CODE = /^(?=.*\d)[\p{L}\d][\p{L}\d._-]{1,23}$/u

/** Codes looked up at a time; a statement takes some thirty thousand. */
const HEAP = 10_000

async function inHeaps<T>(codes: readonly string[], find: (some: string[]) => Promise<T[]>): Promise<T[]> {
  const found: T[] = []
  for (let i = 0; i < codes.length; i += HEAP) found.push(...(await find(codes.slice(i, i + HEAP))))
  return found
}

/** Makes the releases and figures a set list tells of. Sets that are there stay as they are, and are named. */
export class SetMaker {
  constructor(
    private readonly db: EntityManager,
    private readonly moulds: readonly Mould[],
    private readonly today: string,
  ) {}

  async make(rows: readonly ListedRow[], codeOf: (row: ListedRow) => string): Promise<IntakeResult['sets']> {
    const known = new Set((await this.db.find(ReleaseEntity)).flatMap(({ code, name }) => [fold(code), fold(name)]))
    const made: IntakeResult['sets'] = { releases: [], figures: [], there: [] }
    const codes = [...new Set(rows.map(codeOf))]
    const parts = await inHeaps(codes, (some) => this.db.findBy(PartEntity, { code: In(some) }))
    const components = await inHeaps(codes, (some) => this.db.findBy(ComponentEntity, { assembly: In(some) }))
    const inside = [...new Set(components.map(({ part }) => part))]
    const pieces = await inHeaps(inside, (some) => this.db.findBy(PartEntity, { code: In(some) }))
    const piecesOf = groupBy(components, ({ assembly }) => assembly)
    const catalogue = catalogueOf({
      colours: [],
      moulds: this.moulds,
      prints: [],
      parts: [...parts, ...pieces].map((part): Part => ({ ...part, components: piecesOf.get(part.code) ?? [] })),
    })
    for (const [, own] of groupBy(rows, ({ set }) => fold(set!))) {
      const name = own[0]!.set!
      if (known.has(fold(name))) {
        made.there.push(name)
        continue
      }
      const year = own.find((row) => row.year !== null)?.year ?? Number(this.today.slice(0, 4))
      const told = own.find((row) => row.price !== null)?.price
      const release = CODE.test(name) ? name : await this.free(ReleaseEntity, 'Q-OWN-')
      await this.db.insert(ReleaseEntity, {
        code: release,
        name,
        kind: 'box',
        year,
        price: told?.minor ?? 0,
        currency: told?.currency ?? homeCurrency(),
        inProduction: false,
        photo: null,
      })
      made.releases.push(release)
      const loose = new Map<string, number>()
      const add = (part: string, count: number) => loose.set(part, (loose.get(part) ?? 0) + count)
      for (const row of own.filter(({ figure }) => figure === null)) add(codeOf(row), row.count)
      const inFigures = own.filter(({ figure }) => figure !== null)
      for (const [, list] of groupBy(inFigures, ({ figure }) => fold(figure!))) {
        const figure = await this.free(FigureEntity, 'F-OWN-')
        await this.db.insert(FigureEntity, { code: figure, name: list[0]!.figure!, year, photo: null })
        made.figures.push(figure)
        const { worn, left } = dressedIn(
          list.map((row) => ({ part: codeOf(row), qty: row.count })),
          catalogue,
        )
        await this.db.insert(
          FigurePartEntity,
          worn.map(({ slot, part, order }) => ({ figure, slot, part, order })),
        )
        // What no place is left for comes along beside the figure.
        for (const { part, qty } of left) add(part, qty)
        await this.db.insert(ReleaseContentEntity, { release, kind: 'figure', code: figure, qty: 1 })
      }
      await this.db.insert(
        ReleaseContentEntity,
        [...loose].filter(([, qty]) => qty > 0).map(([code, qty]) => ({ release, kind: 'part' as const, code, qty })),
      )
    }
    return made
  }

  private async free(entity: typeof ReleaseEntity | typeof FigureEntity, start: string): Promise<string> {
    for (let n = (await this.db.count(entity)) + 1; ; n++)
      if (!(await this.db.existsBy(entity, { code: `${start}${n}` }))) return `${start}${n}`
  }
}

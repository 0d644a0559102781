import { createHash } from 'node:crypto'
import { In, type EntityManager, type EntityTarget, type ObjectLiteral } from 'typeorm'
import { groupBy } from '@outfit/core/base'
import { FigureEntity, FigurePartEntity, ReleaseContentEntity, ReleaseEntity } from '../schema/catalogue.ts'
import { asText } from './entryWriter.ts'

/** What releases and figures are like with all they hold, as hashes by table and code; equal ones have equal hashes. */
export async function setsAs(
  db: EntityManager,
  { releases, figures }: { releases: readonly string[]; figures: readonly string[] },
): Promise<Record<string, string>> {
  const hashes: Record<string, string> = {}
  const add = async <Own extends ObjectLiteral>(
    table: string,
    entity: EntityTarget<{ code: string }>,
    owned: EntityTarget<Own>,
    owner: keyof Own & string,
    codes: readonly string[],
  ) => {
    const rows = await db.findBy(entity, { code: In([...codes]) })
    const own = groupBy(await db.findBy(owned, { [owner]: In([...codes]) } as never), (row) => row[owner] as string)
    for (const row of rows) {
      const texts = [{ ...row }, ...(own.get(row.code) ?? []).map((one) => ({ ...one }))].map(asText).sort()
      hashes[`${table} ${row.code}`] = createHash('sha256').update(texts.join('\n')).digest('base64url')
    }
  }
  await add('releases', ReleaseEntity, ReleaseContentEntity, 'release', releases)
  await add('figures', FigureEntity, FigurePartEntity, 'figure', figures)
  return hashes
}

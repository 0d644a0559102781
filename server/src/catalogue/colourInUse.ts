import type { EntityManager } from 'typeorm'

/**
 * Whether a part is in a colour, or a layer of a print is. Both name colours inside their own lists, which no foreign key watches;
 * any word of a layer may be one, since each kind of layer has colours of its own.
 */
export async function isColourInUse(db: EntityManager, code: string): Promise<boolean> {
  const [found] = await db.query<{ used: number }[]>(
    `SELECT EXISTS (SELECT 1 FROM part, json_each(part.colours) c WHERE c.value = ?)
       OR EXISTS (SELECT 1 FROM print, json_tree(print.front) layer WHERE layer.atom = ?)
       OR EXISTS (SELECT 1 FROM print, json_tree(print.back) layer WHERE layer.atom = ?) AS used`,
    [code, code, code],
  )
  return found!.used === 1
}

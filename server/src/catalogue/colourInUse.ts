import type { EntityManager } from 'typeorm'

/**
 * Whether a part is in a colour, or a layer of a print or a band of something made is. They name colours inside their own lists, which no foreign key watches;
 * any word of a layer may be one, since each kind of layer has colours of its own.
 */
export async function isColourInUse(db: EntityManager, code: string): Promise<boolean> {
  const [found] = await db.query<{ used: number }[]>(
    `SELECT EXISTS (SELECT 1 FROM part, json_each(part.colours) c WHERE c.value = ?)
       OR EXISTS (SELECT 1 FROM print, json_tree(print.front) layer WHERE layer.atom = ?)
       OR EXISTS (SELECT 1 FROM print, json_tree(print.back) layer WHERE layer.atom = ?)
       OR EXISTS (SELECT 1 FROM made_item, json_each(made_item.bands) band WHERE json_extract(band.value, '$.colour') = ?)
       OR EXISTS (SELECT 1 FROM placement, json_each(placement.made, '$.bands') band
         WHERE placement.made IS NOT NULL AND json_extract(band.value, '$.colour') = ?) AS used`,
    [code, code, code, code, code],
  )
  return found!.used === 1
}

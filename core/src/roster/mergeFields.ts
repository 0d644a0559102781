/** A change that was not made, because what it was to replace is another thing by now. */
export interface Collision {
  id: string
  name: string
  field: string
  now: unknown
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/**
 * Of some changes those to be kept: what replaces what was there when it was made, and what says nothing of that. Where
 * somebody else was quicker the field stays and is told; two who changed it the same way do not collide.
 */
export function mergeFields<F extends object>(
  now: F & { id: string; name: string },
  set: Partial<F>,
  was: Partial<F>,
): { kept: Partial<F>; collided: Collision[] } {
  const kept: Partial<F> = {}
  const collided: Collision[] = []
  for (const field of Object.keys(set) as (keyof F & string)[]) {
    const [value, before] = [set[field], was[field]]
    if (value === undefined || same(now[field], value)) continue
    if (before === undefined || same(now[field], before)) kept[field] = value
    else collided.push({ id: now.id, name: now.name, field, now: now[field] })
  }
  return { kept, collided }
}

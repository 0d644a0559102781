/** A set with something in it, or without. */
export function withTick(set: ReadonlySet<string>, id: string, isIn: boolean): ReadonlySet<string> {
  const next = new Set(set)
  if (isIn) next.add(id)
  else next.delete(id)
  return next
}

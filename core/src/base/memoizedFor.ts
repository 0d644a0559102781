/**
 * A pure function of two objects that nobody changes, worked out once for each pair and forgotten with them: rules ask the
 * same of every figure of a roster, once for each of the others.
 */
export function memoizedFor<A extends object, B extends object, R>(work: (a: A, b: B) => R): (a: A, b: B) => R {
  const known = new WeakMap<B, WeakMap<A, { result: R }>>()
  return (a, b) => {
    let beside = known.get(b)
    if (!beside) known.set(b, (beside = new WeakMap()))
    let found = beside.get(a)
    if (!found) beside.set(a, (found = { result: work(a, b) }))
    return found.result
  }
}

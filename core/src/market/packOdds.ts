/** How many of a figure stand in one full case of blind packs. */
export interface InCase {
  figure: string
  qty: number
}

export interface PackOdds {
  /** Chance that everything wanted is there after n packs, by n from 0, as far as is worth telling. */
  chance: number[]
  /** Packs opened on average until everything wanted is there. */
  expected: number
  /** Fewest packs after which all is there in half, and in nine of ten, of all tries. */
  half: number
  ninety: number
}

/** Told as far as this chance. */
const ENOUGH = 0.999
const MOST_STATES = 200_000
const MOST_PACKS = 20_000

/**
 * The odds of getting figures out of blind packs, exactly. Packs of one case are drawn without replacement, so a whole case
 * surely brings what stands in it; packs beyond it, or any from a shelf (`of: 'shelf'`) where nobody knows which case they
 * come from, are drawn independently with the shares of a case. Throws a sentence for a figure that is in no pack, or for
 * more wishes at once than can be worked out. Within a case O(packs² × figures), beyond it O(packs × product of wishes).
 */
export function packOdds(
  inCase: readonly InCase[],
  wanted: ReadonlyMap<string, number>,
  of: 'case' | 'shelf' = 'case',
): PackOdds {
  const packs = inCase.reduce((sum, { qty }) => sum + qty, 0)
  const wishes = [...wanted].filter(([, qty]) => qty > 0)
  const kinds = wishes.map(([figure, qty]) => {
    const held = inCase.filter((one) => one.figure === figure).reduce((sum, one) => sum + one.qty, 0)
    if (held === 0) throw new Error(`${figure} is in none of these packs`)
    return { qty, held }
  })
  if (wishes.length === 0) return { chance: [1], expected: 0, half: 0, ninety: 0 }
  if (of === 'case' && kinds.every(({ qty, held }) => qty <= held)) return withinCase(kinds, packs)
  // The whole case is opened first; what it lacks comes from packs of any case.
  const first = of === 'case' ? packs : 0
  const open = kinds.map(({ qty, held }) => ({
    lacking: Math.max(0, qty - (of === 'case' ? held : 0)),
    share: held / packs,
  }))
  return beyondCase(
    open.filter(({ lacking }) => lacking > 0),
    first,
  )
}

/** Blind packs against the same figures opened, in minor units; null where nobody sells it. */
export interface AgainstOpened {
  blind: number | null
  opened: number | null
  /** Wanted figures nobody sells opened. */
  unsold: number
}

/** What the packs cost on average, and the wanted figures opened. */
export function againstOpened(
  odds: Pick<PackOdds, 'expected'>,
  pack: number | null,
  wanted: ReadonlyMap<string, number>,
  priceOf: (figure: string) => number | null,
): AgainstOpened {
  let opened = 0
  let unsold = 0
  for (const [figure, qty] of wanted) {
    const price = priceOf(figure)
    if (price === null) unsold += qty
    else opened += price * qty
  }
  return { blind: pack === null ? null : Math.round(odds.expected * pack), opened: unsold > 0 ? null : opened, unsold }
}

interface Kind {
  qty: number
  held: number
}

/** Ways to draw n of a case that hold every wish, over all ways to draw n; in whole numbers, so that nothing is rounded. */
function withinCase(kinds: readonly Kind[], packs: number): PackOdds {
  const wantedOnes = kinds.reduce((sum, { held }) => sum + held, 0)
  let ways: bigint[] = [1n]
  const times = (from: number, held: number) => {
    const next = Array.from({ length: ways.length + held }, () => 0n)
    ways.forEach((count, n) => {
      for (let k = from; k <= held; k++) next[n + k]! += count * choose(held, k)
    })
    ways = next
  }
  for (const { qty, held } of kinds) times(qty, held)
  times(0, packs - wantedOnes)
  const chance = Array.from({ length: packs + 1 }, (_, n) => ratio(ways[n]!, choose(packs, n)))
  return summedUp(
    chance,
    chance.slice(0, -1).reduce((sum, there) => sum + (1 - there), 0),
  )
}

function beyondCase(open: readonly { lacking: number; share: number }[], first: number): PackOdds {
  const sizes = open.map(({ lacking }) => lacking + 1)
  const states = sizes.reduce((product, size) => product * size, 1)
  if (states > MOST_STATES) throw new Error('these are too many wishes at once; ask for fewer figures')
  const strides = sizes.map((_, i) => sizes.slice(0, i).reduce((product, size) => product * size, 1))
  const lackingIn = (state: number, i: number) => Math.floor(state / strides[i]!) % sizes[i]!
  // Packs on average from each state, whose state with one wish fewer is always a smaller number.
  const mean = new Float64Array(states)
  for (let state = 1; state < states; state++) {
    let useful = 0
    let then = 0
    open.forEach(({ share }, i) => {
      if (lackingIn(state, i) === 0) return
      useful += share
      then += share * mean[state - strides[i]!]!
    })
    mean[state] = (1 + then) / useful
  }
  let spread = new Float64Array(states)
  spread[states - 1] = 1
  const chance = [...Array.from({ length: first }, () => 0), spread[0]!]
  while (chance.at(-1)! < ENOUGH && chance.length < MOST_PACKS) {
    const next = new Float64Array(states)
    for (let state = 0; state < states; state++) {
      const here = spread[state]!
      if (here === 0) continue
      let useful = 0
      open.forEach(({ share }, i) => {
        if (lackingIn(state, i) === 0) return
        useful += share
        next[state - strides[i]!]! += here * share
      })
      next[state]! += here * (1 - useful)
    }
    spread = next
    chance.push(spread[0]!)
  }
  return summedUp(chance, first + mean[states - 1]!)
}

function summedUp(chance: number[], expected: number): PackOdds {
  const after = (share: number) => chance.findIndex((there) => there >= share - 1e-12)
  return { chance, expected, half: after(0.5), ninety: after(0.9) }
}

function choose(n: number, k: number): bigint {
  let ways = 1n
  for (let i = 1; i <= k; i++) ways = (ways * BigInt(n - k + i)) / BigInt(i)
  return ways
}

/** A quotient of large whole numbers, to fifteen digits. */
const ratio = (a: bigint, b: bigint): number => Number((a * 10n ** 17n) / b) / 1e17

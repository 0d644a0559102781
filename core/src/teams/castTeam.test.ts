import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { assign } from '../solver/index.ts'
import { castTeam } from './castTeam.ts'
import type { TeamProblem } from './teamProblem.ts'

const effort = { seconds: 60, now: () => 0 }

/** Every way to give `rows` one of `columns` each. */
function* everyWay(rows: number, columns: number): Generator<number[]> {
  if (rows === 0) return yield []
  for (const rest of everyWay(rows - 1, columns)) for (let c = 0; c < columns; c++) yield [...rest, c]
}

/** What a cast is worth, by the words of the problem: limits are counted face by face and resource by resource. */
function worthOf(problem: TeamProblem, heads: readonly number[], gears: readonly number[]): number | null {
  const worn = heads.map((h, i) => ({ i, head: problem.heads[h]!, gear: problem.gears[gears[i]!]! }))
  if (problem.faceCaps.some((cap, face) => worn.filter(({ head }) => head.face === face).length > cap)) return null
  const uses = worn.flatMap(({ head, gear }) => [...head.uses, ...gear.uses])
  if (problem.caps.some((cap, resource) => uses.filter((used) => used === resource).length > cap)) return null
  let worth = 0
  for (const { i, head, gear } of worn) {
    const values = [head.values[i], gear.values[i]]
    if (values.includes(null)) return null
    worth += values[0]! + values[1]! - problem.penalty(head.cls, gear.cls)
  }
  return worth
}

function bestByTrying(problem: TeamProblem): number | null {
  let best: number | null = null
  for (const heads of everyWay(problem.members, problem.heads.length))
    for (const gears of everyWay(problem.members, problem.gears.length)) {
      const worth = worthOf(problem, heads, gears)
      if (worth !== null && (best === null || worth > best)) best = worth
    }
  return best
}

const anyProblem: fc.Arbitrary<TeamProblem> = fc
  .record({
    members: fc.integer({ min: 1, max: 3 }),
    resources: fc.integer({ min: 0, max: 4 }),
    faces: fc.integer({ min: 1, max: 3 }),
  })
  .chain(({ members, resources, faces }) => {
    const option = fc.record({
      cls: fc.nat(2),
      values: fc.array(fc.option(fc.integer({ min: -20, max: 60 }), { nil: null, freq: 5 }), {
        minLength: members,
        maxLength: members,
      }),
      uses: resources === 0 ? fc.constant<number[]>([]) : fc.uniqueArray(fc.nat(resources - 1), { maxLength: 2 }),
    })
    return fc
      .record({
        heads: fc.array(fc.tuple(option, fc.nat(faces - 1)), { minLength: 1, maxLength: 4 }),
        gears: fc.array(option, { minLength: 1, maxLength: 3 }),
        held: fc.array(fc.nat(30), { minLength: 9, maxLength: 9 }),
        faceCaps: fc.array(fc.nat(2), { minLength: faces, maxLength: faces }),
        caps: fc.array(fc.nat(2), { minLength: resources, maxLength: resources }),
      })
      .map(({ heads, gears, held, faceCaps, caps }): TeamProblem => ({
        members,
        heads: heads.map(([own, face]) => ({ ...own, face })),
        // Heads and headgear draw on different things, as parts do.
        gears: gears.map((gear) => ({ ...gear, uses: gear.uses.map((r) => r + resources) })),
        penalty: (a, b) => held[a * 3 + b]!,
        faceCaps,
        caps: [...caps, ...caps],
      }))
  })

describe('assigning', () => {
  test('finds the greatest sum, as trying everything does', () => {
    const row = (n: number) =>
      fc.array(fc.option(fc.integer({ min: -9, max: 30 }), { nil: -Infinity, freq: 6 }), { minLength: n, maxLength: n })
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 4 })
          .chain((columns) =>
            fc.tuple(
              fc.array(row(columns), { minLength: 1, maxLength: 4 }),
              fc.array(fc.nat(2), { minLength: columns, maxLength: columns }),
            ),
          ),
        ([worth, caps]) => {
          let best = -Infinity
          for (const way of everyWay(worth.length, caps.length)) {
            if (way.some((c) => way.filter((other) => other === c).length > caps[c]!)) continue
            best = Math.max(
              best,
              way.reduce((sum, c, r) => sum + worth[r]![c]!, 0),
            )
          }
          const found = assign(
            worth.map((values) => Float64Array.from(values)),
            caps,
          )
          expect(found?.sum ?? -Infinity).toBe(best)
        },
      ),
      { numRuns: 400 },
    )
  })
})

describe('casting a team', () => {
  test('is as good as the best of all casts, proven, and keeps to every limit', () => {
    fc.assert(
      fc.property(anyProblem, (problem) => {
        const { cast, bound, complete } = castTeam(problem, effort)
        const best = bestByTrying(problem)
        expect(complete).toBe(true)
        expect(cast?.worth ?? null).toBe(best)
        if (!cast) return
        expect(bound).toBe(cast.worth)
        expect(worthOf(problem, cast.heads, cast.gears)).toBe(cast.worth)
      }),
      { numRuns: 400 },
    )
  })

  test('gives the last of something to whoever needs it more', () => {
    const option = (cls: number, values: number[], uses: number[] = []) => ({ cls, values, uses })
    const problem: TeamProblem = {
      members: 2,
      heads: [
        { ...option(0, [50, 60], [0]), face: 0 },
        { ...option(0, [10, 40]), face: 1 },
      ],
      gears: [option(0, [0, 0])],
      penalty: () => 0,
      faceCaps: [2, 2],
      caps: [1],
    }
    expect(castTeam(problem, effort).cast).toMatchObject({ heads: [0, 1], worth: 90 })
    // Twins would do both good, but no face may be shown twice.
    expect(castTeam({ ...problem, caps: [2] }, effort).cast!.worth).toBe(110)
    expect(castTeam({ ...problem, caps: [2], faceCaps: [1, 1] }, effort).cast!.worth).toBe(90)
  })

  test('that nobody can be given a head in has no cast', () => {
    const problem: TeamProblem = {
      members: 2,
      heads: [{ cls: 0, values: [5, 5], uses: [], face: 0 }],
      gears: [{ cls: 0, values: [0, 0], uses: [] }],
      penalty: () => 0,
      faceCaps: [1],
      caps: [],
    }
    expect(castTeam(problem, effort)).toMatchObject({ cast: null, complete: true })
  })

  test('out of time gives the best it found, with a bound that is one', () => {
    fc.assert(
      fc.property(anyProblem, (problem) => {
        let ticks = 0
        const { cast, bound, complete } = castTeam(problem, { seconds: 3, now: () => ticks++ })
        const best = bestByTrying(problem)
        if (best !== null && !complete) expect(bound).toBeGreaterThanOrEqual(best)
        if (cast) expect(worthOf(problem, cast.heads, cast.gears)).toBe(cast.worth)
      }),
    )
  })
})

/**
 * Casting a team: 20 members, 300 two-sided heads, 300 pieces of headgear, every face once, hair at most twice, half of the
 * parts owned once. Seeded, so that runs compare.
 */
export async function team({ tell, timed, median, at }) {
  const { castTeam } = await import('@outfit/core/teams')
  const times = []
  let proven = 0
  let gap = 0
  const SEEDS = 12
  for (let seed = 1; seed <= SEEDS; seed++) {
    const problem = randomTeam(seed, { members: 20, heads: 300, gears: 300 })
    const { ms, result } = await timed(() => castTeam(problem, { seconds: 3, now: () => performance.now() / 1000 }))
    times.push(ms)
    if (result.complete) proven += 1
    gap = Math.max(gap, (result.bound - result.cast.worth) / result.cast.worth)
  }
  tell('casting a team of 20, 300 heads, 300 headgear', median(times), 'ms', {
    budget: 3000,
    worst: at(times, 1).toFixed(0),
    proven: `${proven} of ${SEEDS}`,
    'worst gap': `${(100 * gap).toFixed(3)} %`,
  })
}

/** A team problem in the manner of the sample world: few classes, prices off the values, a tenth of all pairs forbidden. */
function randomTeam(seed, { members, heads, gears }) {
  let state = seed
  const random = () => {
    state = (state * 1664525 + 1013904223) >>> 0
    return state / 4294967296
  }
  const values = () => Array.from({ length: members }, () => (random() < 0.1 ? null : Math.round(random() * 30000)))
  const held = Array.from({ length: 60 }, () =>
    Array.from({ length: 50 }, () => (random() < 0.5 ? 0 : Math.round(random() * 8000))),
  )
  return {
    members,
    heads: Array.from({ length: heads * 2 }, (_, h) => ({
      cls: Math.floor(random() * 60),
      face: Math.floor(h / 4),
      uses: random() < 0.5 ? [Math.floor(h / 2)] : [],
      values: values(),
    })),
    gears: Array.from({ length: gears }, (_, g) => ({
      cls: Math.floor(random() * 50),
      uses: [...(random() < 0.5 ? [heads + g] : []), heads + gears + Math.floor(g / 4)],
      values: values(),
    })),
    penalty: (a, b) => held[a][b],
    faceCaps: Array.from({ length: Math.ceil(heads / 2) }, () => 1),
    caps: Array.from({ length: heads + gears + Math.ceil(gears / 4) }, (_, r) => (r < heads + gears ? 1 : 2)),
  }
}

import { expect, test } from '@jest/globals'
import { setTimeout as sleep } from 'node:timers/promises'
import { MilpBuilder, type SolveAside } from '@outfit/core/solver'

// Its thread is of compiled code.
const { solveAside } = (await import(new URL('../../dist/solver/asideSolver.js', import.meta.url).href)) as {
  solveAside: SolveAside
}

/** The least money for weights that come to `aim`. */
function filling(aim: number, weights: readonly number[], prices: readonly number[]) {
  const build = new MilpBuilder()
  build.row(
    aim,
    Infinity,
    weights.map((weight, i): [number, number] => [build.column(prices[i]!, 1), weight]),
  )
  return build.model
}
const until = async (done: () => boolean) => {
  for (let i = 0; i < 400 && !done(); i++) await sleep(25)
}

test('a model is solved on a thread of its own: its bound rises to the best, its point is the best', async () => {
  const aside = solveAside(filling(9, [4, 5, 6, 3], [40, 41, 70, 25]), { seconds: 20, gap: 0 })
  expect([aside.bound(), aside.point(), aside.solved()]).toEqual([-Infinity, null, false])
  await until(aside.solved)
  expect(aside.solved()).toBe(true)
  expect(aside.point()!.map(Math.round)).toEqual([1, 1, 0, 0])
  expect(aside.bound()).toBeCloseTo(81, 6)
  aside.stop()
})

test('what nothing fills is never said to be solved, and a thread that is stopped says no more', async () => {
  const aside = solveAside(filling(99, [4, 5], [1, 1]), { seconds: 20, gap: 0 })
  await until(() => aside.bound() === Infinity)
  expect([aside.bound(), aside.point(), aside.solved()]).toEqual([Infinity, null, false])
  aside.stop()
  const stopped = solveAside(filling(9, [4, 5], [1, 1]), { seconds: 20, gap: 0 })
  stopped.stop()
  await sleep(300)
  expect([stopped.bound(), stopped.point(), stopped.solved()]).toEqual([-Infinity, null, false])
})

test('the thread of one model goes on with the next, whether that was solved or not', async () => {
  const options = { seconds: 20, gap: 0 }
  const first = solveAside(filling(9, [4, 5, 6, 3], [40, 41, 70, 25]), options)
  await until(first.solved)
  const second = first.next(filling(9, [4, 5], [1, 2]), options)
  await until(second.solved)
  expect([second.bound(), second.point()!.map(Math.round)]).toEqual([3, [1, 1]])
  // Nobody asks for the third any more, however long it would take.
  const weights = Array.from({ length: 60 }, (_, i) => 1000 + ((i * 7919) % 997))
  const third = second.next(
    filling(
      31_337,
      weights,
      weights.map((one) => one + (one % 7)),
    ),
    { seconds: 60, gap: 0 },
  )
  const fourth = third.next(filling(4, [4], [7]), options)
  await until(fourth.solved)
  expect([fourth.bound(), first.bound()]).toEqual([7, 81])
  fourth.stop()
})

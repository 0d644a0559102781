import { expect, test } from '@jest/globals'
import { emptyBrief } from '@outfit/core/brief'
import { shelfOutfit } from '../test/shelf.ts'
import { stepStates } from './stepStates.ts'

const take = (chosen: boolean) => ({ chosen }) as never
const worn = { slot: 'head', part: 'P', order: 0, turned: false } as const
const brief = emptyBrief()
const says = (more: Parameters<typeof shelfOutfit>[1], likeness: number | null = null) =>
  Object.fromEntries(
    Object.entries(stepStates({ takes: [take(true)], brief }, shelfOutfit('A', more), likeness)).map(
      ([step, state]) => [step, `${state.says}${state.done ? ' ✓' : ''}`],
    ),
  )

test('nobody who wears anything is told so, and nothing is done', () => {
  expect(says({})).toEqual({
    brief: 'no wishes',
    bench: 'nothing worn',
    casting: '',
    takes: 'one ✓',
    sourcing: 'nothing worn',
    workbench: 'not built',
    card: 'not shown',
  })
})

test('what is pinned, lacks and comes is told in the order in which it is to be done', () => {
  const pin = { severity: 'problem' as const, title: 'No legs', detail: '' }
  const hint = { severity: 'hint' as const, title: 'Symmetry', detail: '' }
  expect(says({ placements: [worn], pins: [pin, hint], toBuy: 2, arriving: 1, state: 'fitting' }, 86)).toMatchObject({
    bench: '1 pin',
    casting: 'likeness 86',
    sourcing: '2 to buy',
  })
  expect(says({ placements: [worn], pins: [hint], arriving: 1, state: 'on-the-way' })).toMatchObject({
    bench: '1 part ✓',
    sourcing: '1 on the way',
  })
  expect(says({ placements: [worn], state: 'shown' }, 100)).toMatchObject({
    casting: 'likeness 100 ✓',
    sourcing: 'all owned ✓',
    workbench: 'built ✓',
    card: 'shown ✓',
  })
})

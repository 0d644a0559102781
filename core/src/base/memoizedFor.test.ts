import { expect, test } from '@jest/globals'
import { memoizedFor } from './memoizedFor.ts'

test('each pair is worked out once, also where nothing comes of it', () => {
  const asked: string[] = []
  const pair = memoizedFor((a: { name: string }, b: { name: string }) => {
    asked.push(a.name + b.name)
    return a.name === b.name ? null : a.name + b.name
  })
  const [x, y, other] = [{ name: 'x' }, { name: 'y' }, { name: 'x' }]
  expect([pair(x, y), pair(y, x), pair(x, y), pair(x, x), pair(x, x), pair(other, y)]).toEqual([
    'xy',
    'yx',
    'xy',
    null,
    null,
    'xy',
  ])
  expect(asked).toEqual(['xy', 'yx', 'xx', 'xy'])
})

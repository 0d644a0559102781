import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { statedHead, withHeadAt } from './heads.ts'

test('a head at a second age joins the series, whichever of the two is older', () => {
  const grown = { from: 29, head: 'M' }
  const old = withHeadAt([], grown, { from: 74, head: 'W' })
  expect(old).toEqual([
    { from: 0, head: 'M' },
    { from: 74, head: 'W' },
  ])
  expect(withHeadAt(old, grown, { from: 9, head: 'F' })).toEqual([
    { from: 0, head: 'F' },
    { from: 29, head: 'M' },
    { from: 74, head: 'W' },
  ])
  // What was stated from an earlier age on stays so.
  expect(
    withHeadAt(
      [
        { from: 0, head: 'A' },
        { from: 40, head: 'B' },
      ],
      { from: 45, head: 'B' },
      { from: 70, head: 'C' },
    ),
  ).toEqual([
    { from: 0, head: 'A' },
    { from: 40, head: 'B' },
    { from: 70, head: 'C' },
  ])
})

test('afterwards both ages have the heads they were said to have', () => {
  const anyHead = fc.record({ from: fc.nat(99), head: fc.constantFrom('A', 'B', 'C', 'D') })
  fc.assert(
    fc.property(fc.array(anyHead, { maxLength: 4 }), fc.nat(99), fc.nat(99), (series, one, other) => {
      fc.pre(one !== other)
      const next = withHeadAt(series, { from: one, head: 'M' }, { from: other, head: 'N' })
      expect([statedHead(next, one), statedHead(next, other)]).toEqual(['M', 'N'])
      expect(next.map(({ from }) => from)).toEqual([...next.map(({ from }) => from)].sort((a, b) => a - b))
    }),
  )
})

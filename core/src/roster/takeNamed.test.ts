import { expect, test } from '@jest/globals'
import { takeNamed } from './takeNamed.ts'
import { type Take } from './contract.ts'

const take = (label: string, chosen = false): Take => ({
  id: label,
  label,
  chosen,
  reason: '',
  voters: [],
  accepted: [],
  placements: [],
})

test('a label names its take; otherwise the chosen one is meant, or the first', () => {
  const takes = [take('A'), take('B', true)]
  expect(takeNamed(takes, 'A')?.id).toBe('A')
  expect(takeNamed(takes, null)?.id).toBe('B')
  expect(takeNamed(takes, 'Z')?.id).toBe('B')
  expect(takeNamed([take('A')], null)?.id).toBe('A')
  expect(takeNamed([], 'A')).toBeUndefined()
})

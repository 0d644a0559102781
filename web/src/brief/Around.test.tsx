/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { useEffect, useState } from 'react'
import { emptyBrief, type Brief } from '@outfit/core/brief'
import { withServer } from '../test/withServer.tsx'
import { Around } from './Around.tsx'

afterEach(cleanup)

function Own({ told }: { told: (brief: Brief) => void }) {
  const [brief, setBrief] = useState<Brief>(emptyBrief())
  useEffect(() => {
    told(brief)
  }, [brief, told])
  return <Around brief={brief} onChange={setBrief} />
}

test('stature follows the years until it is chosen; then both stay', async () => {
  const user = userEvent.setup()
  let latest = emptyBrief()
  const told = () => [latest.years, latest.stature]
  render(withServer(<Own told={(brief) => void (latest = brief)} />))
  const years = screen.getByRole('spinbutton', { name: 'Years of age' })
  await user.type(years, '8')
  expect(told()).toEqual([8, 'middle'])
  await user.selectOptions(screen.getByRole('combobox', { name: 'Stature' }), 'short')
  expect(told()).toEqual([8, 'short'])
  await user.clear(years)
  await user.type(years, '9')
  expect(told()).toEqual([9, 'short'])
})

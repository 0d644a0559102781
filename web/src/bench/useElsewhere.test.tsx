/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { DRESSINGS } from '@outfit/core/anatomy'
import { catalogueOf } from '@outfit/core/catalogue'
import { STARTER_MOULDS } from '@outfit/core/starter'
import { withServer } from '../test/withServer.tsx'
import { useElsewhere } from './useElsewhere.ts'

afterEach(cleanup)

const [dressed, alone] = DRESSINGS['torso']!
const catalogue = catalogueOf({ colours: [], moulds: STARTER_MOULDS, prints: [], parts: [] })
const { code: mould } = STARTER_MOULDS.find(({ kind }) => kind === 'torso')!
const part = (code: string) => ({ part: { code, mould, components: [] }, owned: 1, lowest: null })
const answers = { 'parts?slot=torso&limit=5000': { items: [part('torso'), part('torso')], parts: [], prints: [] } }

function Told({ isEmpty }: { isEmpty: boolean }) {
  const found = useElsewhere(isEmpty, [alone!], catalogue)
  return <p>{found.map(({ way, count }) => `${way.label} ${count}`).join() || 'nothing'}</p>
}

test('the other ways with parts are looked for only where one has none', async () => {
  expect(dressed!.pick).toBe('assembly')
  const { rerender } = render(withServer(<Told isEmpty={false} />, answers))
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(screen.getByText('nothing')).toBeTruthy()
  rerender(withServer(<Told isEmpty />, answers))
  expect(await screen.findByText('Torso alone 2')).toBeTruthy()
})

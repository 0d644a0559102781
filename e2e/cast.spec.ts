import type { Page } from '@playwright/test'
import { expect, test } from './fixtures.ts'
import { faults } from './accessFaults.ts'

interface Shelves {
  rosters: { id: string; name: string; outfits: { id: string; name: string; placements: { part: string }[] }[] }[]
}

/** Take the best so far as soon as there is one, or what there is when the search ends first. */
async function castSoon(app: Page): Promise<void> {
  const done = app.getByRole('heading', { name: 'Cast together' })
  const enough = app.getByRole('button', { name: 'Good enough' })
  const can = () => enough.isEnabled({ timeout: 200 }).catch(() => false)
  await expect.poll(async () => (await done.isVisible()) || (await can())).toBe(true)
  await enough.click({ timeout: 2000 }).catch(() => undefined)
  await expect(done).toBeVisible()
}

test('a roster is cast together, held in part, cast again, worn and taken back', async ({ app, server }) => {
  const ferry = async () => (await server.get<Shelves>('rosters')).rosters.find(({ name }) => name === 'Ferry people')!
  const before = await ferry()
  await app.goto(`/rosters/${before.id}/cast`)
  const who = app.getByRole('form', { name: 'How to cast' })
  await who.getByRole('checkbox', { name: 'Bram, engines' }).uncheck()
  await app.getByRole('button', { name: 'Cast 3' }).click()
  await castSoon(app)
  const result = app.getByRole('region', { name: 'Cast', exact: true })
  await expect(result.getByRole('img', { name: /, cast$/ })).toHaveCount(3)
  await expect(result).toContainText('As they are, the rest bought')
  expect(await faults(app)).toEqual([])

  await app.getByRole('button', { name: 'Hold Odile, skipper' }).click()
  await app.getByRole('checkbox', { name: 'the whole figure' }).check()
  await app.keyboard.press('Escape')
  const odile = await result.getByRole('listitem').filter({ hasText: 'Odile, skipper' }).last().innerText()
  await app.getByRole('button', { name: 'Cast the others again' }).click()
  // The first cast is gone before the second is waited for.
  await expect(app.getByRole('progressbar', { name: 'Casting' })).toBeVisible()
  await castSoon(app)
  const again = await result.getByRole('listitem').filter({ hasText: 'Odile, skipper' }).last().innerText()
  const likeness = (text: string) => /→\s*(\d+)/.exec(text)![1]
  expect(likeness(again)).toBe(likeness(odile))

  await app.getByRole('button', { name: /^Let .* wear it$/ }).click()
  await expect(app.getByRole('link', { name: 'Plan the buying' })).toBeVisible()
  expect((await ferry()).outfits.map(({ placements }) => placements)).not.toEqual(
    before.outfits.map(({ placements }) => placements),
  )
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByRole('button', { name: /^Let .* wear it$/ })).toBeVisible()
  expect((await ferry()).outfits.map(({ placements }) => placements)).toEqual(
    before.outfits.map(({ placements }) => placements),
  )
})

import { bench, expect, look, openOutfit, test } from './fixtures.ts'

test('a part has a page: drawn from both sides, every colour of its mould, its sources', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await bench(app).tray.getByRole('button', { name: 'All sources' }).click()
  await app.getByRole('link', { name: 'Colours, sources and offers on its own page' }).click()
  await expect(app.getByRole('heading', { level: 1 })).toHaveText('Swept pony tail')
  const front = app.getByRole('img', { name: 'Swept pony tail, front' })
  await expect(front).toBeVisible()
  await expect(app.getByRole('img', { name: 'Swept pony tail, back' })).toBeVisible()
  const colours = app.getByRole('region', { name: 'Colours' })
  await expect(colours.getByRole('heading', { level: 2 })).toContainText('made in 4 of 50')
  await expect(colours.getByRole('button')).toHaveCount(50)
  await expect(colours.getByRole('button', { name: 'Copper: owned 1' })).toHaveAttribute('aria-current', 'true')
  await expect(app.getByRole('region', { name: 'Sources' })).toContainText('one release')
  await expect(app.getByRole('region', { name: 'Sources' })).toContainText('Regatta Stand')

  const copper = await look(front)
  await colours.getByRole('button', { name: 'Lagoon: never made' }).click()
  await expect(app.getByText('Preview only. Swept pony tail was never made in Lagoon.')).toBeVisible()
  expect(await look(front)).not.toBe(copper)
  const nearest = app.getByRole('region', { name: 'Drawn' }).getByRole('listitem')
  await expect(nearest).toHaveCount(4)
  const differences = (await nearest.allTextContents()).map((text) => Number(/ΔE ([\d.]+)/.exec(text)![1]))
  expect(differences).toEqual([...differences].sort((a, b) => a - b))
  await colours.getByRole('button', { name: 'Lagoon: never made' }).click()
  await expect.poll(() => look(front)).toBe(copper)

  await colours.getByRole('button', { name: /^Straw: from €/ }).click()
  await expect(app.getByRole('region', { name: 'Drawn' })).toContainText('Straw')
  await expect.poll(() => look(front)).not.toBe(copper)
})

test('a part that does not exist is told', async ({ app, server }) => {
  await app.goto(`${server.url}/parts/P-NONE`)
  await expect(app.getByRole('alert')).toContainText('There is no part P-NONE.')
})

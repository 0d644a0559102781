import { bytesOf, expect, openOutfit, test } from './fixtures.ts'

test('the card is shown and taken away as SVG and PNG', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('link', { name: 'Card' }).click()
  const picture = app.getByRole('img', { name: /^Card of Odile, skipper/ })
  await expect(picture).toBeVisible()
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(300)

  const take = async (name: string) => {
    const [download] = await Promise.all([
      app.waitForEvent('download'),
      app.getByRole('link', { name, exact: true }).click(),
    ])
    return { name: download.suggestedFilename(), bytes: await bytesOf(download) }
  }
  const svg = await take('SVG')
  expect(svg.name).toBe('Odile, skipper.svg')
  const text = svg.bytes.toString()
  for (const words of [
    'Odile, skipper',
    'Cork vest',
    'Amber',
    'Swept pony tail',
    'Copper',
    'from Regatta Stand',
    '2 × Mitt',
    'take B',
  ])
    expect(text).toContain(words)
  expect(text.match(/<circle /g)!.length).toBeGreaterThanOrEqual(10)

  const png = await take('PNG')
  expect(png.name).toBe('Odile, skipper.png')
  expect(png.bytes.subarray(1, 4).toString()).toBe('PNG')
  expect(png.bytes.readUInt32BE(16)).toBe(2244)
})

test('the take that is looked at goes along from room to room', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('button', { name: 'Take A' }).click()
  const trail = app.getByRole('banner').getByRole('paragraph')
  await expect(trail).toContainText('take A')
  await app.getByRole('link', { name: 'Card' }).click()
  await expect(app.getByRole('link', { name: 'take A' })).toHaveAttribute('aria-current', 'true')
  await expect(trail).toContainText('take A')
  await app.getByRole('link', { name: 'take B' }).click()
  await expect(trail).toContainText('take B')
  await app.getByRole('link', { name: 'Sourcing' }).click()
  await expect(app.getByText(/^Odile, skipper, take B:/)).toBeVisible()
})

test('each take has its card', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('link', { name: 'Card' }).click()
  const picture = app.getByRole('img', { name: /^Card of/ })
  const before = await picture.getAttribute('src')
  await app.getByRole('link', { name: 'take A' }).click()
  await expect(picture).not.toHaveAttribute('src', before!)
  await expect(app.getByRole('link', { name: 'take A' })).toHaveAttribute('aria-current', 'true')
})

test('a built outfit counts as shown once its card is taken away', async ({ app, server }) => {
  await openOutfit(app, 'Mirre Vos')
  await app.getByRole('link', { name: 'Card' }).click()
  await Promise.all([app.waitForEvent('download'), app.getByRole('link', { name: 'PNG', exact: true }).click()])
  const state = async () =>
    (await server.get<{ rosters: { outfits: { name: string; state: string }[] }[] }>('rosters')).rosters
      .flatMap(({ outfits }) => outfits)
      .find(({ name }) => name === 'Mirre Vos')!.state
  await expect.poll(state).toBe('shown')
})

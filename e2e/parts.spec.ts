import { bench, expect, look, openOutfit, test, READS } from './fixtures.ts'

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
  const nearest = app.getByRole('list', { name: 'Nearest that exist' }).getByRole('listitem')
  await expect(nearest).toHaveCount(4)
  const differences = (await nearest.allTextContents()).map((text) => Number(/ΔE ([\d.]+)/.exec(text)![1]))
  expect(differences).toEqual([...differences].sort((a, b) => a - b))
  await colours.getByRole('button', { name: 'Lagoon: never made' }).click()
  await expect.poll(() => look(front)).toBe(copper)

  await colours.getByRole('button', { name: /^Straw: from €/ }).click()
  await expect(app.getByRole('region', { name: 'Drawn' })).toContainText('Straw')
  await expect.poll(() => look(front)).not.toBe(copper)
})

test('a part that does not exist is told', READS, async ({ app }) => {
  await app.goto('/parts/P-NONE')
  await expect(app.getByRole('alert')).toContainText('There is no part P-NONE.')
})

test('the ways to get a part say what each leaves over', READS, async ({ app }) => {
  await app.goto('/parts/P-00031')
  const ways = app.getByRole('region', { name: 'Ways to get it' })
  await expect(ways.getByRole('listitem').first()).toContainText('The part alone')
  await expect(ways.getByRole('listitem').first()).toContainText('nothing left over')
  const rower = ways.getByRole('listitem').filter({ hasText: 'Figure: Regatta rower' })
  await rower.getByRole('button', { name: /parts left over/ }).click()
  await expect(rower).toContainText('Long oar')
  await rower.getByRole('link', { name: 'Long oar' }).click()
  await expect(app.getByRole('heading', { level: 1 })).toHaveText('Long oar')
})

test('an assembly is previewed too: what has its main colour takes the other one', READS, async ({ app, server }) => {
  await app.goto('/parts?find=quay+jacket+dressed-torso')
  await app.getByRole('list', { name: 'Found parts' }).getByRole('link').first().click()
  const front = app.getByRole('img', { name: 'Quay jacket, front' })
  await expect(front).toBeVisible()
  const made = await look(front)
  await app.getByRole('button', { name: 'Moss: never made' }).click()
  await expect(app.getByText('Preview only. Quay jacket was never made in Moss.')).toBeVisible()
  const moss = (await server.get<{ colours: { code: string; hex: string }[] }>('catalogue/basics')).colours.find(
    ({ code }) => code === 'moss',
  )!
  expect(await look(front)).not.toBe(made)
  expect(await front.innerHTML()).toContain(`fill="${moss.hex}"`)
})

test('what goes with a part is drawn with its reason', READS, async ({ app }) => {
  await app.goto('/parts?find=warden+coat+dressed-torso')
  await app.getByRole('list', { name: 'Found parts' }).getByRole('link').first().click()
  const goes = app.getByRole('region', { name: 'Goes with' })
  await expect(goes.getByRole('listitem').first()).toContainText('Warden coat hem')
  await expect(goes.getByRole('listitem').first()).toContainText('carries the coat on')
})

test('a wish for a colour that was never made comes true with a table and is announced', async ({ app }) => {
  await app.goto('/parts/P-00031')
  const lagoon = app.getByRole('button', { name: /^Lagoon: never made/ })
  await lagoon.click()
  await app.getByRole('button', { name: 'Wish for it in Lagoon' }).click()
  await expect(app.getByText('Wished for since')).toBeVisible()
  await expect(lagoon).toHaveAccessibleName('Lagoon: never made, wished for')
  await app.getByRole('button', { name: 'Drop the wish' }).click()
  await expect(app.getByRole('button', { name: 'Wish for it in Lagoon' })).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByText('Wished for since')).toBeVisible()

  await app.getByRole('link', { name: 'Parts', exact: true }).click()
  await app.getByRole('link', { name: 'Tables' }).click()
  await app.locator('input[type=file]').setInputFiles({
    name: 'parts.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('code,name,mould,colours\nE-1,Swept pony tail,M-TAIL,lagoon\n'),
  })
  await app.getByRole('button', { name: 'Bring 1 row in' }).click()
  await expect(app.getByRole('heading', { name: '1 row brought in' })).toBeVisible()
  await app.getByRole('button', { name: 'A wish came true' }).click()
  await app.getByRole('link', { name: 'Swept pony tail in Lagoon' }).click()
  await expect(app.getByRole('region', { name: 'Drawn' })).toContainText('E-1')
  await expect(app.getByRole('button', { name: 'A wish came true' })).toHaveCount(0)
})

import type { Page } from '@playwright/test'
import { expect, look, test, READS } from './fixtures.ts'

const doll = (page: Page, view = 'front') => page.getByRole('img', { name: new RegExp(`, ${view}$`) }).first()

test('a print of one’s own grows layer by layer on the doll, becomes a part, and can be undone', async ({ app }) => {
  await app.goto('/catalogue/prints/new?kind=torso')
  await app.getByRole('textbox', { name: 'Name' }).fill('Own oilskin')
  const blank = await look(doll(app))
  const front = app.getByRole('region', { name: 'Layers, front' })
  const lay = async (kind: string) => {
    await front.getByRole('combobox', { name: 'Next layer, front' }).selectOption(kind)
    await front.getByRole('button', { name: 'Lay it on top' }).click()
  }
  await lay('jacket')
  await front.getByRole('combobox', { name: 'colour' }).selectOption('Marigold')
  await expect.poll(() => look(doll(app))).not.toBe(blank)
  const jacket = await look(doll(app))
  const back = await look(doll(app, 'back'))
  await lay('belt')
  await expect.poll(() => look(doll(app))).not.toBe(jacket)
  const belted = await look(doll(app))
  expect(await look(doll(app, 'back'))).toBe(back)
  await front.getByRole('button', { name: 'jacket: one layer up' }).click()
  await expect.poll(() => look(doll(app))).not.toBe(belted)
  await front.getByRole('button', { name: 'Take belt away' }).click()
  await expect.poll(() => look(doll(app))).toBe(jacket)

  await app.getByRole('button', { name: 'Make the print' }).click()
  await expect(app.getByRole('heading', { name: 'Own part' })).toBeVisible()
  await expect(app.getByRole('textbox', { name: 'Name' })).toHaveValue('Own oilskin')
  await app.getByRole('combobox', { name: 'Main colour' }).selectOption('Tar')
  await app.getByRole('button', { name: 'Make the part' }).click()
  await expect(app.getByRole('heading', { level: 1 })).toHaveText('Own oilskin')
  await expect(app.getByRole('region', { name: 'Drawn' })).toContainText('Tar')

  // The notice of the print may still be there, behind the one of the part.
  await app.locator('[data-sonner-toast][data-front="true"]').getByRole('button', { name: 'Undo' }).click()
  await app.goto('/parts?find=own+oilskin')
  await expect(app.getByText('No part answers to all of that')).toBeVisible()
})

test('what is typed survives a reload and can be forgotten', READS, async ({ app }) => {
  await app.goto('/catalogue/moulds/new')
  await app.getByRole('textbox', { name: 'Name' }).fill('Half typed hat')
  await expect(app.getByRole('status').filter({ hasText: 'Not saved yet' })).toBeVisible()
  await app.reload()
  await expect(app.getByRole('textbox', { name: 'Name' })).toHaveValue('Half typed hat')
  await app.getByRole('button', { name: 'Forget what I typed' }).click()
  await expect(app.getByRole('textbox', { name: 'Name' })).toHaveValue('')
})

test('a fault is told at its field and nothing is lost', READS, async ({ app }) => {
  await app.goto('/catalogue/parts/new')
  await app.getByRole('button', { name: 'Make the part' }).click()
  await expect(app.getByRole('textbox', { name: 'Name' })).toHaveAttribute('aria-invalid', 'true')
  await expect(app.getByRole('alert')).toContainText('Nothing was written')
  await app.goto('/catalogue/releases/Q-101')
  await app.getByRole('textbox', { name: 'Retail price' }).fill('twelve')
  await app.getByRole('button', { name: 'Save the changes' }).click()
  await expect(app.getByRole('alert')).toContainText('"twelve" is no amount')
})

test('a photo is kept with a part; a text called .png is refused', async ({ app }) => {
  await app.goto('/catalogue/parts/P-00031')
  await app
    .getByLabel('Photo')
    .setInputFiles({ name: 'hair.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') })
  await expect(app.getByRole('alert')).toContainText('no PNG, JPEG or WebP picture')
  const png = await app.screenshot({ clip: { x: 0, y: 0, width: 120, height: 90 } })
  await app.getByLabel('Photo').setInputFiles({ name: 'hair.png', mimeType: 'image/png', buffer: png })
  await expect(app.getByRole('img', { name: 'The photo as it is kept' })).toBeVisible()
  await app.getByRole('button', { name: 'Save the changes' }).click()
  await expect(app.getByRole('img', { name: 'Photo of Swept pony tail' })).toBeVisible()
})

test('a figure is dressed slot by slot out of all parts, and comes in a release of one’s own', async ({ app }) => {
  await app.goto('/catalogue/figures/new')
  await app.getByRole('textbox', { name: 'Name' }).fill('Own ferryman')
  const bare = await look(doll(app))
  const choose = async (row: string, words: string) => {
    await app.getByRole('button', { name: `Choose for ${row}` }).click()
    const dialog = app.getByRole('dialog')
    await dialog.getByRole('searchbox').fill(words)
    await expect(dialog.getByRole('status')).toHaveText(/^[1-9] to choose from/)
    await dialog.getByRole('list', { name: 'Found parts' }).getByRole('button').first().click()
    await expect(dialog).toHaveCount(0)
  }
  await choose('Headgear', 'close crop chestnut')
  await choose('Torso', 'ferry tunic dressed-torso')
  await choose('Headgear', 'ferry cap midnight')
  await expect.poll(() => look(doll(app))).not.toBe(bare)
  const worn = app.getByRole('list', { name: 'Worn' })
  await expect(worn).toContainText('Close crop')
  await expect(worn).toContainText('Ferry cap')
  await expect(worn).toContainText('Ferry tunic, sleeve')
  await app.getByRole('button', { name: 'Make the figure' }).click()
  await expect(app.getByRole('heading', { name: 'Change figure' })).toBeVisible()
  await expect(app.getByText('No release yet.')).toBeVisible()

  await app.goto('/catalogue/releases/new')
  await app.getByRole('textbox', { name: 'Name' }).fill('Own landing')
  await app.getByRole('textbox', { name: 'Retail price' }).fill('12.50')
  await app.getByRole('searchbox', { name: 'Find a figure' }).fill('own ferry')
  const add = app.getByRole('combobox', { name: 'Add a figure' })
  await expect(add.getByRole('option')).toHaveCount(2)
  await add.selectOption({ index: 1 })
  await app.getByRole('button', { name: 'Make the release' }).click()
  await expect(app.getByRole('heading', { name: 'Change release' })).toBeVisible()
  await expect(app.getByRole('textbox', { name: 'Retail price' })).toHaveValue('12.50')
  await app.getByRole('link', { name: 'Own ferryman' }).click()
  await expect(app.getByRole('link', { name: /^Own landing/ })).toBeVisible()
})

test('what is in use is not removed', READS, async ({ app }) => {
  await app.goto('/catalogue/moulds/M-DECK')
  await app.getByRole('button', { name: 'Remove this mould' }).click()
  await expect(app.getByRole('alert')).toContainText('M-DECK is in use')
})

test('a colour of one’s own is held against the palette', async ({ app, server }) => {
  await app.goto('/catalogue/colours/new')
  await app.getByRole('textbox', { name: 'Name' }).fill('Own harbour blue')
  await app.getByLabel('Shade').fill('#24527f')
  const nearest = app.getByRole('listitem').filter({ hasText: 'ΔE' })
  await expect(nearest.first()).toContainText('Quay Blue')
  await expect(nearest.first()).toContainText('the same')
  await app.getByRole('button', { name: 'Make the colour' }).click()
  await expect(app.getByText(/^Made colour/)).toBeVisible()
  expect(
    (await server.get<{ colours: { name: string }[] }>('catalogue/basics')).colours.map(({ name }) => name),
  ).toContain('Own harbour blue')
})

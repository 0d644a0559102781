import type { Page } from '@playwright/test'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { pdfText } from '../server/src/test/pdfText.ts'
import { faultsIn, GOOD_PRACTICE } from './accessFaults.ts'
import { addressOf, bytesOf, EMPTY, expect, openOutfit, test } from './fixtures.ts'

const PHOTO = fileURLToPath(new URL('../demo/world/photos/mirre-vos.webp', import.meta.url))
const HANDED_ON = fileURLToPath(new URL('../demo/handed-on.recipe.json', import.meta.url))

const taken = async (app: Page, name: string) => {
  const [download] = await Promise.all([
    app.waitForEvent('download'),
    app.getByRole('link', { name, exact: true }).click(),
  ])
  return download
}

test('a card shows what is chosen for it, keeps it, and takes it back', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('link', { name: 'Card' }).click()
  const picture = app.getByRole('img', { name: /^Card of Odile, skipper/ })
  const shape = () =>
    picture.evaluate((img: HTMLImageElement) => Math.round((100 * img.naturalWidth) / img.naturalHeight))
  await expect.poll(shape).toBe(146)
  const panel = app.getByRole('region', { name: 'What the card shows' })
  await panel.getByRole('radio', { name: /^A6/ }).check()
  await expect.poll(shape).toBe(71)
  await panel.getByRole('textbox', { name: 'Note' }).fill('She steers by ear.')
  await expect(panel.getByText('Kept')).toBeVisible()
  expect((await bytesOf(await taken(app, 'SVG'))).toString()).toContain('She steers by ear.')
  const pdf = await taken(app, 'PDF')
  expect(pdf.suggestedFilename()).toBe('Odile, skipper.pdf')
  expect((await bytesOf(pdf)).subarray(0, 5).toString()).toBe('%PDF-')

  // What is too long is said, and not lost.
  const note = panel.getByRole('textbox', { name: 'Note' })
  await note.fill('x'.repeat(305))
  await expect(panel.getByRole('alert')).toContainText('5 letters too many')
  await expect(note).toHaveValue('x'.repeat(305))
  await note.fill('She steers by ear.')
  await expect(panel.getByRole('alert')).toHaveCount(0)

  await app.reload()
  await expect(panel.getByRole('radio', { name: /^A6/ })).toBeChecked()
  await panel.getByRole('radio', { name: /^Square/ }).check()
  await expect.poll(shape).toBe(100)
  await app.keyboard.press('Control+z')
  await expect(panel.getByRole('radio', { name: /^A6/ })).toBeChecked()
  await expect.poll(shape).toBe(71)
  await panel.getByRole('button', { name: 'Redo' }).click()
  await expect(panel.getByRole('radio', { name: /^Square/ })).toBeChecked()
})

test('a photo of the built figure is put on the card, set right by keys, and stands beside another take', async ({
  app,
}) => {
  await app.goto(`${addressOf('Odile, skipper')}/card`)
  const panel = app.getByRole('region', { name: 'What the card shows' })
  await panel.getByRole('radio', { name: 'a photo' }).check()
  const choose = app.getByLabel('Choose a photo of the built figure')
  await choose.setInputFiles({ name: 'letter.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(app.getByRole('alert')).toContainText('letter.png: The file is no PNG, JPEG or WebP picture')
  await choose.setInputFiles(PHOTO)
  const photo = app.getByRole('region', { name: 'The photo' })
  // The figure was found, so that the cut is close round it.
  const corner = photo.getByRole('button', { name: /^Top left corner/ })
  await expect(corner).toBeVisible()
  await expect(app.getByRole('button', { name: 'Close round it' })).toBeVisible()
  const picture = app.getByRole('img', { name: /^Card of Odile, skipper: the photo/ })
  const address = () => picture.getAttribute('src')
  const before = await address()
  await photo.getByRole('button', { name: 'Swept pony tail, as on the doll: arrows move it' }).press('Shift+ArrowUp')
  await expect(photo.getByRole('button', { name: 'Swept pony tail: arrows move it' })).toBeFocused()
  await photo.getByRole('slider', { name: 'Straighten' }).press('ArrowLeft')
  await photo.getByRole('slider', { name: 'Even out the light' }).press('ArrowRight')
  await expect(photo.getByText('-0.5°')).toBeVisible()
  await expect.poll(address).not.toBe(before)
  expect(await faultsIn(app, 'light', GOOD_PRACTICE)).toEqual([])
  const svg = (await bytesOf(await taken(app, 'SVG'))).toString()
  expect(svg.match(/<image [^>]*href="data:image\/jpeg;base64,/g)).toHaveLength(1)
  expect(svg).toContain('Swept pony tail')
  const [page] = await pdfText(new Uint8Array(await bytesOf(await taken(app, 'PDF'))))
  expect(page!.text).toContain('Odile, skipper')
  expect(page!.text).toContain('Cork vest')

  await panel.getByRole('combobox', { name: 'Beside it' }).selectOption({ label: 'take A' })
  await expect
    .poll(async () => (await bytesOf(await taken(app, 'SVG'))).toString())
    .toContain('5 of 10 places exchanged')
  await expect(panel.getByText('Kept')).toBeVisible()
  await app.reload()
  await expect(panel.getByRole('combobox', { name: 'Beside it' })).toHaveValue(/./)
  await expect(photo.getByText('-0.5°')).toBeVisible()
  await photo.getByRole('button', { name: 'Take it away' }).click()
  await expect(app.getByRole('img', { name: /^Card of Odile, skipper: the figure/ })).toBeVisible()
  await app.keyboard.press('Control+z')
  await expect(photo).toBeVisible()
})

test('a roster is taken out as a sheet, as a page that opens from a file, and as a recipe', async ({
  app,
  browser,
}) => {
  await app.goto(addressOf('Ferry people'))
  await app.getByRole('link', { name: 'Sheet', exact: true }).click()
  const sheet = app.getByRole('img', { name: 'Breakdown sheet of Ferry people' })
  await expect(sheet).toBeVisible()
  const high = () => sheet.evaluate((img: HTMLImageElement) => img.naturalHeight / img.naturalWidth)
  const before = await high()
  await app.getByRole('checkbox', { name: 'The list of all parts' }).uncheck()
  await expect.poll(high).toBeLessThan(before)
  const pdf = await taken(app, 'PDF')
  expect(pdf.suggestedFilename()).toBe('Ferry people, parts.pdf')
  const pages = await pdfText(new Uint8Array(await bytesOf(pdf)))
  expect(pages[0]!.text).toContain('Ferry people')
  expect(pages.map(({ text }) => text).join()).toContain('Teo, tickets')

  const folder = mkdtempSync(join(tmpdir(), 'outfit-page-'))
  const file = join(folder, 'Ferry people.html')
  await (await taken(app, 'Page')).saveAs(file)
  const context = await browser.newContext({ reducedMotion: 'reduce' })
  const page = await context.newPage()
  const [asked, wrong]: string[][] = [[], []]
  page.on('request', (request) => asked!.push(request.url()))
  page.on('pageerror', (error) => wrong!.push(error.message))
  page.on('console', (message) => message.type() === 'error' && wrong!.push(message.text()))
  await page.goto(pathToFileURL(file).href)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ferry people')
  await page.getByRole('searchbox', { name: 'Find a figure or a part' }).fill('cork vest')
  await expect(page.getByRole('status')).toHaveText('1 of 4 figures')
  await expect(page.getByRole('heading', { name: 'Odile, skipper' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Bram, engines' })).toBeHidden()
  expect(await faultsIn(page, 'light', GOOD_PRACTICE)).toEqual([])
  expect(asked!.filter((url) => !url.startsWith('file:') && !url.startsWith('data:'))).toEqual([])
  expect(wrong).toEqual([])
  const [recipe] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take the recipe' }).click(),
  ])
  const { format, outfits } = JSON.parse((await bytesOf(recipe)).toString()) as { format: string; outfits: unknown[] }
  expect([format, outfits.length]).toEqual(['outfit.recipe', 4])
  await context.close()
  rmSync(folder, { recursive: true })
})

test(
  'who has nothing yet takes a recipe in at the door, and it can be drawn and taken back',
  EMPTY,
  async ({ app, server }) => {
    await app.goto('/bring-in')
    const door = app.locator('input[type=file]')
    await door.setInputFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from('{"format"') })
    await expect(app.getByRole('alert')).toContainText('no JSON that can be read')
    const newer = JSON.stringify({ ...(JSON.parse(readFileSync(HANDED_ON, 'utf8')) as object), version: 2 })
    await door.setInputFiles({ name: 'newer.recipe.json', mimeType: 'application/json', buffer: Buffer.from(newer) })
    await expect(app.getByRole('alert')).toContainText('a recipe of another version is not read here')
    await app.getByRole('button', { name: 'Take another file' }).click()

    await door.setInputFiles(HANDED_ON)
    const figures = app.getByRole('list', { name: 'Figures of the recipe' })
    await expect(figures.getByRole('img', { name: 'Lamp seller as made' })).toBeVisible()
    await expect(figures.getByText('nothing loose is like it').first()).toBeVisible()
    await app
      .getByText(/0 of \d+ parts just so/)
      .first()
      .click()
    await expect(figures.getByRole('cell', { name: /Hook lantern/ })).toBeVisible()
    expect(await faultsIn(app, 'light', GOOD_PRACTICE)).toEqual([])
    await app.getByRole('textbox', { name: 'As a roster called' }).fill('From a friend')
    await app.getByRole('button', { name: 'Take it in' }).click()
    await expect(app.getByRole('heading', { name: /From a friend/ })).toBeVisible()
    await expect(app.getByRole('img', { name: /Lamp seller/ }).first()).toBeVisible()
    await app.getByRole('button', { name: 'Undo' }).click()
    await expect(app.getByText(/^Taken back/)).toBeVisible()
    expect((await server.get<{ rosters: unknown[] }>('rosters')).rosters).toEqual([])
  },
)

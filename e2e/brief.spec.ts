import type { Page } from '@playwright/test'
import { KILLS, LONG, addressOf, bench, candidates, expect, openOutfit, test, unheard } from './fixtures.ts'

const wishes = (app: Page) => app.getByRole('list', { name: 'Wishes' })
const wish = (app: Page, name: string) => wishes(app).getByRole('group', { name, exact: true })
const saved = (app: Page) => app.getByRole('status').filter({ hasText: 'all saved' })
const likeness = async (app: Page) =>
  Number(/(\d+) of 100/.exec((await app.getByLabel(/^Likeness \d+ of 100$/).getAttribute('aria-label'))!)![1])

/** A picture of three plain fields, drawn in the browser: a third each of copper, quay blue and oat. */
async function picture(app: Page): Promise<Buffer> {
  const url = await app.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 900, height: 300 })
    const context = canvas.getContext('2d')!
    for (const [i, colour] of ['#a64e2a', '#24527f', '#e9dec3'].entries()) {
      context.fillStyle = colour
      context.fillRect(i * 300, 0, 300, 300)
    }
    return canvas.toDataURL('image/png')
  })
  return Buffer.from(url.split(',')[1]!, 'base64')
}

async function toBrief(app: Page, name: string): Promise<void> {
  await app.goto(`${addressOf(name)}/brief`)
  await expect(wishes(app)).toBeVisible()
}

test('a wish is made, weighed and dropped; the likeness follows, undo walks back, a reload keeps it', async ({
  app,
}) => {
  await toBrief(app, 'Odile, skipper')
  const before = await likeness(app)
  await app.getByRole('button', { name: 'Wish for something of Waist' }).click()
  await app.getByRole('button', { name: 'this very mould', exact: true }).click()
  await wish(app, 'Waist: this very mould')
    .getByRole('combobox', { name: /wished for/ })
    .selectOption('Pouch belt')
  await wish(app, 'Waist: this very mould')
    .getByRole('combobox', { name: /matters/ })
    .selectOption('must')
  await expect.poll(() => likeness(app)).toBeLessThan(before)
  await expect(app.getByText('1 must missed')).toBeVisible()
  const terms = app.getByRole('list', { name: 'Terms of the likeness' })
  await expect(terms).toContainText('not the mould Pouch belt')
  await expect(saved(app)).toBeVisible()
  await app.reload()
  await expect(wish(app, 'Waist: this very mould')).toBeVisible()
  await app.getByRole('button', { name: 'Drop the wish for this very mould of Waist' }).click()
  await expect.poll(() => likeness(app)).toBe(before)
  await app.keyboard.press('Control+z')
  await expect(app.getByText('1 must missed')).toBeVisible()
  await app.keyboard.press('Control+Shift+z')
  await expect.poll(() => likeness(app)).toBe(before)
})

test('a picture is dropped in, its palette found, a spot sampled and handed to a wish', async ({ app }) => {
  await toBrief(app, 'Teo')
  await app
    .getByLabel('Choose pictures')
    .setInputFiles({ name: 'harbour day.png', mimeType: 'image/png', buffer: await picture(app) })
  const palette = app.getByRole('list', { name: 'Colours of the picture' }).getByRole('button')
  await expect(palette.first()).toBeVisible()
  await expect(palette.nth(2)).toHaveAccessibleName(/, 3[1-4] % of the picture$/)
  // What comes after the three fields are the blends along their edges.
  const shares = await palette.evaluateAll((all) =>
    all.map((one) => Number(/(\d+) %/.exec(one.getAttribute('aria-label')!)![1])),
  )
  expect(shares.slice(0, 3).every((share) => share > 30)).toBe(true)
  expect(shares.slice(3).every((share) => share < 4)).toBe(true)
  // The leftmost third is copper; whatever is kept of the picture was encoded anew, so the eye decides, not the byte.
  const shown = app.getByRole('button', { name: /^harbour day: point at a colour/ })
  const box = (await shown.locator('img').boundingBox())!
  await app.mouse.click(box.x + box.width / 6, box.y + box.height / 2)
  const panel = app.getByRole('region', { name: 'Sampled colour' })
  await expect(panel.getByRole('button', { name: /^Copper ΔE [0-2]\.\d$/ }).first()).toBeVisible()
  await panel.getByRole('combobox').selectOption('Torso: colour')
  await expect(panel).toContainText('Torso')
  await panel
    .getByRole('button', { name: /^Copper/ })
    .first()
    .click()
  await expect(wish(app, 'Torso: colour').getByRole('button', { name: /wished for: Copper/ })).toBeVisible()
  await panel.getByRole('button', { name: 'Wish for it' }).click()
  await expect(wish(app, 'Torso: colour')).toContainText('Copper')
  await app.getByRole('button', { name: 'Take away the picture harbour day' }).click()
  await expect(app.getByRole('button', { name: /^At the ticket hut: point/ })).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).last().click()
  await expect(app.getByRole('list', { name: 'All pictures' }).getByRole('button')).toHaveCount(2)
})

test('a picture is read: the doll laid over it, what it shows taken as wishes, and held against what is worn', async ({
  app,
}) => {
  await toBrief(app, 'Odile, skipper')
  const before = await wishes(app).getByRole('group').count()
  await app.getByRole('button', { name: 'Read the picture' }).click()
  const shown = app.getByRole('region', { name: 'What the picture shows' })
  // What she is wished to be in already stands there as wished; the arms were left to the torso.
  await expect(shown.getByRole('button', { name: /^Headgear: colour Copper, ΔE [0-2]$/ })).toBeVisible()
  await expect(shown.getByRole('button', { name: 'Take Headgear: colour' })).toHaveCount(0)
  await shown.getByRole('button', { name: 'Take Arms: colour' }).click()
  await expect(wish(app, 'Arms: colour')).toContainText('Quay Blue')
  await shown.getByRole('button', { name: /^Take all/ }).click()
  await expect(shown.getByRole('button', { name: /^Take/ })).toHaveCount(0)
  await expect(wish(app, 'Torso: colour')).toContainText('Amber')
  await app.keyboard.press('Control+z')
  await app.keyboard.press('Control+z')
  await expect(wishes(app).getByRole('group')).toHaveCount(before)
  const against = app.getByRole('list', { name: 'Against the picture' })
  await expect(against.getByRole('listitem').filter({ hasText: /^hair the same/ })).toBeVisible()
  await expect(against.getByRole('listitem').filter({ hasText: /^hands plainly different/ })).toBeVisible()
  // The soles moved up to the knees, and no further: what was legs is boots now, and stays so when all presses are read.
  const soles = app.getByRole('button', { name: /^Soles/ })
  await soles.focus()
  for (let i = 0; i < 5; i++) await app.keyboard.press('Shift+ArrowUp')
  await expect(against.getByRole('listitem').filter({ hasText: /^boots plainly different/ })).toBeVisible()
  await app.getByRole('button', { name: 'Find again' }).click()
  await expect(against.getByRole('listitem').filter({ hasText: /^boots somewhat different/ })).toBeVisible()
  await expect(saved(app)).toBeVisible()
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('button', { name: /^picture \d+$/ }).click()
  await expect(app.getByRole('list', { name: 'Against the picture' })).toContainText('hands plainly different')
})

test('a picture is hung beside every outfit of its character', async ({ app }) => {
  await toBrief(app, 'Odile, skipper')
  const everywhere = app.getByRole('button', { name: 'for every outfit of Odile Marsh' })
  await expect(everywhere).toHaveAttribute('aria-pressed', 'false')
  await everywhere.click()
  await expect(everywhere).toHaveAttribute('aria-pressed', 'true')
  await app.getByRole('link', { name: 'Rosters', exact: true }).click()
  await toBrief(app, 'Odile at twelve')
  await app
    .getByRole('list', { name: 'All pictures' })
    .getByRole('button', { name: 'On the landing stage, in the morning' })
    .click()
  await expect(everywhere).toHaveAttribute('aria-pressed', 'true')
})

test('what is no picture is refused, and the pointer is moved by keys', async ({ app }) => {
  await toBrief(app, 'Teo')
  await app
    .getByLabel('Choose pictures')
    .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(app.getByText(/notes\.png: The file is no PNG, JPEG or WebP picture/)).toBeVisible()
  await expect(app.getByRole('list', { name: 'Colours of the picture' })).toBeVisible()
  await app.getByRole('button', { name: /^At the ticket hut: point/ }).focus()
  for (let i = 0; i < 3; i++) await app.keyboard.press('ArrowDown')
  await app.keyboard.press('Enter')
  await expect(app.getByRole('region', { name: 'Sampled colour' })).toBeVisible()
})

test('a picture is pasted', async ({ app }) => {
  await toBrief(app, 'Teo')
  const bytes = [...(await picture(app))]
  await app.getByRole('region', { name: 'Reference pictures' }).evaluate((region, list) => {
    const clipboardData = new DataTransfer()
    clipboardData.items.add(new File([new Uint8Array(list)], 'pasted.png', { type: 'image/png' }))
    region.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }))
  }, bytes)
  await expect(app.getByRole('button', { name: /^pasted: point at a colour/ })).toBeVisible()
})

test('a brief begins with a released figure, and with what a take shows', async ({ app }) => {
  await toBrief(app, 'Wen Sorrel')
  await app.getByRole('button', { name: 'Like this, but …' }).click()
  const dialog = app.getByRole('dialog', { name: 'Like this, but …' })
  await dialog.getByRole('searchbox').fill('ferry skipper')
  await expect(dialog.getByRole('img', { name: 'Ferry skipper' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Begin with Ferry skipper' }).click()
  await expect(wish(app, 'Neck: this very mould').getByRole('combobox', { name: /wished for/ })).toHaveValue('M-VEST')
  await app.getByRole('button', { name: 'As take A is' }).click()
  await expect(wish(app, 'Neck: this very mould')).toHaveCount(0)
  await app.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(wish(app, 'Neck: this very mould')).toBeVisible()
})

test('stature follows the years, and what is to be avoided leaves the tray last', async ({ app, server }) => {
  await toBrief(app, 'Odile, skipper')
  await app.getByRole('spinbutton', { name: 'Years of age' }).fill('11')
  await expect(app.getByRole('combobox', { name: 'Stature', exact: true })).toHaveValue('middle')
  await expect(app.getByRole('list', { name: 'Terms of the likeness' })).toContainText('legs full, not middle')
  const { figures } = await server.get<{ figures: { code: string; name: string }[] }>('parts/P-00031')
  const [figure] = figures
  await app.getByRole('combobox', { name: 'Avoid the parts of a figure' }).fill(figure!.code)
  await app.getByRole('combobox', { name: 'Avoid the parts of a figure' }).fill(`${figure!.code} · ${figure!.name}`)
  await expect(app.getByRole('button', { name: `No longer avoid ${figure!.code}` })).toBeVisible()
  await expect(saved(app)).toBeVisible()
  await app.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(candidates(app).first()).toBeVisible()
  await bench(app).find.fill('pony copper')
  await expect(bench(app).candidate(/Swept pony tail · Copper.*to be avoided/)).toBeVisible()
})

test('two windows: the second to write a brief is told and can keep its own', LONG, async ({ app, context }) => {
  await toBrief(app, 'Bako')
  const other = await context.newPage()
  await unheard(other)
  await other.goto(app.url())
  await expect(wishes(other)).toBeVisible()
  await app.getByRole('textbox', { name: 'Notes' }).fill('first')
  await expect(saved(app)).toBeVisible()
  await other.getByRole('textbox', { name: 'Credits' }).fill('second')
  const alert = other.getByRole('alert')
  await expect(alert).toContainText('Changed elsewhere, not saved')
  await alert.getByRole('button', { name: 'Keep mine' }).click()
  await expect(saved(other)).toBeVisible()
  await app.reload()
  await expect(app.getByRole('textbox', { name: 'Credits' })).toHaveValue('second')
})

test(
  'a brief survives a killed server and is saved when it is back',
  { tag: [KILLS.tag, LONG.tag] },
  async ({ app, server }) => {
    await toBrief(app, 'Bako')
    await server.kill()
    await app.getByRole('textbox', { name: 'Notes' }).fill('written in the dark')
    await expect(app.getByText('not saved: no answer, trying again')).toBeVisible()
    await server.restart()
    await expect(saved(app)).toBeVisible()
    await app.reload()
    await expect(app.getByRole('textbox', { name: 'Notes' })).toHaveValue('written in the dark')
  },
)

test('the tray is sorted by likeness, says why, mixes in the price, and keeps to a colour and a limit', async ({
  app,
}) => {
  await openOutfit(app, 'Odile, skipper')
  const { tray } = bench(app)
  const labels = () => candidates(app).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!))
  const scores = async () => (await labels()).map((label) => Number(/likeness (\d+)/.exec(label)![1]))
  const likest = await scores()
  expect(likest).toEqual([...likest].sort((a, b) => b - a))
  await expect(app.getByRole('complementary', { name: 'About this part' })).toContainText('parting missing: side')
  await tray.getByRole('slider', { name: 'Likeness or price' }).press('End')
  await expect.poll(async () => (await labels())[0]).toMatch(/owned \d/)
  await tray.getByRole('slider', { name: 'Likeness or price' }).press('Home')
  await tray.getByRole('button', { name: 'wished colour' }).click()
  for (const label of await labels()) expect(label).toContain('Copper')
  await tray.getByRole('button', { name: 'wished colour' }).click()
  await tray.getByRole('textbox', { name: 'Candidates up to a price' }).fill('0.50')
  await tray.getByRole('textbox', { name: 'Candidates up to a price' }).press('Enter')
  await expect(tray.getByRole('heading')).toContainText(/\d+ of 98/)
  for (const label of await labels()) expect(label).toMatch(/owned \d|€0\.[0-4]\d|€0\.50/)
})

test('the picture stands beside the mannequin at its height, and the likeness tells its terms', async ({ app }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('button', { name: 'The reference picture beside the mannequin' }).click()
  const shown = app.getByRole('img', { name: 'On the landing stage, in the morning' })
  await expect(shown).toBeVisible()
  const [pictureBox, figureBox] = [(await shown.boundingBox())!, (await bench(app).figure.boundingBox())!]
  expect(pictureBox.height).toBeGreaterThan(figureBox.height * 0.6)
  expect(pictureBox.x).toBeGreaterThanOrEqual(figureBox.x + figureBox.width - 1)
  await app.getByRole('button', { name: /^likeness \d+/ }).click()
  await expect(app.getByRole('dialog', { name: 'Why this likeness' })).toContainText(
    'a hand in Hazel under a head in Fawn',
  )
})

test('briefs of a roster are written in words on one page, one by one and for everybody', async ({ app }) => {
  await app.goto(addressOf('School regatta'))
  await app.getByRole('link', { name: 'Briefs', exact: true }).click()
  const words = (name: string) => app.getByRole('textbox', { name: `${name} in words` })
  await words('Lis Wagenaar').fill('girl, blond plaits, striped jersey, odd shoes')
  await expect(app.getByRole('list', { name: 'As understood' })).toContainText('Pattern: striped')
  await words('Lis Wagenaar').press('Enter')
  const wishes = (name: string) => app.getByRole('list', { name: `Wishes of ${name}` }).getByRole('listitem')
  await expect(wishes('Lis Wagenaar').filter({ hasText: 'Pattern: striped' })).toBeVisible()
  await words('Everybody').fill('must have an oar')
  await words('Everybody').press('Enter')
  for (const name of ['Lis Wagenaar', 'Tom Aker', 'Juno Brandt', 'Wout Idema'])
    await expect(wishes(name).filter({ hasText: 'Item: oar, must' })).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(wishes('Lis Wagenaar').filter({ hasText: 'Item: oar, must' })).toHaveCount(0)
  await expect(wishes('Lis Wagenaar').filter({ hasText: 'Pattern: striped' })).toBeVisible()
})

test('wishes go to others and are kept as a template; pictures find their outfits by name', async ({ app }) => {
  await app.goto(addressOf('School regatta'))
  await app.getByRole('link', { name: 'Briefs', exact: true }).click()
  const wishesOf = (name: string) => app.getByRole('list', { name: `Wishes of ${name}` }).getByRole('listitem')
  const words = app.getByRole('textbox', { name: 'Lis Wagenaar in words' })
  await words.fill('striped jersey, must have an oar')
  await words.press('Enter')
  await expect(wishesOf('Lis Wagenaar').filter({ hasText: 'Item: oar, must' })).toBeVisible()
  await app.getByRole('button', { name: 'Wishes of Lis Wagenaar for others' }).click()
  const dialog = app.getByRole('dialog', { name: 'Wishes of Lis Wagenaar for others' })
  await dialog.getByRole('checkbox', { name: 'Pattern: striped' }).uncheck()
  await dialog.getByRole('checkbox', { name: 'Tom Aker' }).check()
  await dialog.getByRole('textbox', { name: /template called/ }).fill('Rower')
  await dialog.getByRole('button', { name: 'Copy to 1 outfit and keep as a template' }).click()
  await expect(wishesOf('Tom Aker').filter({ hasText: 'Item: oar, must' })).toBeVisible()
  await expect(wishesOf('Tom Aker').filter({ hasText: 'striped' })).toHaveCount(0)
  await app.getByRole('combobox', { name: 'Begin Juno Brandt with a template' }).selectOption('Rower')
  await expect(wishesOf('Juno Brandt').filter({ hasText: 'Item: oar, must' })).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(wishesOf('Juno Brandt')).toHaveCount(0)

  const buffer = await picture(app)
  const files = ['juno brandt 1.png', 'Lis_Wagenaar.png', 'harbour.png']
  await app
    .getByLabel('Pictures by name', { exact: true })
    .setInputFiles(files.map((name) => ({ name, mimeType: 'image/png', buffer })))
  await expect(app.getByText(/Nobody here is called like “harbour\.png”/)).toBeVisible()
  await expect(app.getByText('2 pictures hung.')).toBeVisible()
  for (const name of ['Juno Brandt', 'Lis Wagenaar'])
    await expect(app.getByRole('button', { name: `Another picture of ${name}` })).toBeVisible()
  await expect(app.getByRole('button', { name: 'A picture of Tom Aker' })).toBeVisible()
  await app.getByRole('link', { name: 'Wout Idema' }).click()
  await app.getByRole('button', { name: 'Like this, but …' }).click()
  await app.getByRole('button', { name: 'A template' }).click()
  await app.getByRole('button', { name: 'Begin with Rower' }).click()
  await expect(wish(app, 'Held: item')).toBeVisible()
})

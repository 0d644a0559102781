import type { Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { expect, test } from './fixtures.ts'

const undo = (app: Page) => app.getByRole('button', { name: 'Undo' })
const rooms = (app: Page) => app.getByRole('navigation', { name: 'Rooms' })
const views = (app: Page) => app.getByRole('navigation', { name: 'Ways to look at the drawer' })
const counts = (app: Page) => app.getByRole('main').getByText(/^\d+ loose$/)

async function toDrawer(app: Page): Promise<void> {
  await rooms(app).getByRole('link', { name: 'Drawer' }).click()
  await expect(app.getByRole('heading', { name: 'Drawer', level: 1 })).toBeVisible()
}
async function toBin(app: Page, name: string): Promise<void> {
  await toDrawer(app)
  await app.getByRole('link', { name: new RegExp(`^${name}`) }).click()
  await expect(app.getByRole('heading', { name, level: 1 })).toBeVisible()
}
const part = (app: Page, name: string) =>
  app.getByRole('list', { name: 'Parts' }).getByRole('listitem').filter({ hasText: name })
const howMany = (app: Page, name: string) => app.getByRole('spinbutton', { name: `How many of ${name}, used` })

test('a bin goes to where it stands on the table, by hand and by keys, and back', async ({ app, server }) => {
  const placed = async () =>
    (await server.get<{ bins: { code: string; x: number; y: number; w: number }[] }>('drawer')).bins.find(
      ({ code }) => code === 'B9',
    )!
  await toDrawer(app)
  const bin = app.getByRole('list', { name: 'Bins', exact: true }).getByRole('link', { name: /^Round the neck/ })
  await expect(bin).toContainText('7 parts, 6 kinds')
  const box = (await bin.boundingBox())!
  await app.mouse.move(box.x + 40, box.y + 20)
  await app.mouse.down()
  await app.mouse.move(box.x + 60, box.y + 100, { steps: 4 })
  await app.mouse.move(box.x + 40, box.y + 20 + 30 * 6, { steps: 6 })
  await app.mouse.up()
  await expect(app.getByText('Round the neck lies in column 1, row 15, 5 by 4.').first()).toBeAttached()
  await expect.poll(placed).toMatchObject({ x: 0, y: 14 })
  await undo(app).click()
  await expect.poll(placed).toMatchObject({ x: 0, y: 8 })
  await bin.focus()
  await app.keyboard.press('Alt+ArrowDown')
  await expect.poll(placed).toMatchObject({ x: 0, y: 9, w: 5 })
  await app.keyboard.press('Alt+Shift+ArrowLeft')
  await expect.poll(placed).toMatchObject({ x: 0, y: 9, w: 4 })
})

test('a box is brought in with everything it contains, and taken back', async ({ app, server }) => {
  await toDrawer(app)
  const before = await counts(app).textContent()
  await app.getByRole('button', { name: 'Bring in…' }).click()
  const dialog = app.getByRole('dialog', { name: 'Bring in' })
  await dialog.getByRole('searchbox', { name: 'What came' }).fill('Parade drummer')
  await dialog.getByRole('button', { name: /^Parade drummer figure, / }).click()
  await dialog.getByRole('spinbutton', { name: 'How many of Parade drummer' }).fill('2')
  await dialog.getByRole('combobox', { name: 'Into the bin' }).selectOption({ label: 'Hats' })
  await dialog.getByRole('button', { name: 'Into the drawer' }).click()
  await expect(app.getByRole('region', { name: 'Figures that stand together' })).toContainText('Parade drummer 3')
  await views(app).getByRole('link', { name: 'History' }).click()
  const first = app.getByRole('list', { name: 'History' }).getByRole('listitem').first()
  await expect(first).toContainText('Brought in 2 × Figure: Parade drummer')
  await first.getByRole('button', { name: 'Take back' }).click()
  await expect(app.getByRole('list', { name: 'History' }).getByRole('listitem').nth(1)).toContainText('taken back')
  await expect(counts(app)).toHaveText(before!)
  expect((await server.get<{ acts: { kind: string }[] }>('drawer/acts')).acts[0]!.kind).toBe('taken-back')
})

test('parts are moved, lent and sold out of a bin, and each can be undone', async ({ app }) => {
  await toBin(app, 'Hats')
  await howMany(app, 'Deck cap · Quay Blue').fill('1')
  await app.getByRole('button', { name: 'Move…' }).click()
  const move = app.getByRole('dialog', { name: 'Move 1 part' })
  await move.getByRole('combobox', { name: 'Into the bin' }).selectOption({ label: 'Torsos' })
  await move.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(part(app, 'Deck cap · Quay Blue')).toContainText('of 1')
  await undo(app).click()
  await expect(part(app, 'Deck cap · Quay Blue')).toContainText('of 2')

  await howMany(app, 'Oilskin hat · Marigold').fill('1')
  await app.getByRole('button', { name: 'Lend…' }).click()
  const lend = app.getByRole('dialog', { name: 'Lend 1 part' })
  await lend.getByRole('textbox', { name: 'To whom' }).fill('Wen next door')
  await lend.getByRole('button', { name: 'Lend', exact: true }).click()
  await expect(part(app, 'Oilskin hat · Marigold')).toHaveCount(0)
  await toDrawer(app)
  await expect(app.getByRole('region', { name: 'Lent' })).toContainText('Lent to Wen next door 1')
  await expect(app.getByText('1 lent')).toBeVisible()
})

test('a bin is counted, the differences are shown, and it is set right at once', async ({ app }) => {
  await toBin(app, 'Hats')
  await app.getByRole('button', { name: 'Take stock…' }).click()
  await app.getByRole('spinbutton', { name: 'Counted of Deck cap · Quay Blue, used' }).fill('3')
  await app.getByRole('spinbutton', { name: 'Counted of Bobble cap · Pewter, used' }).fill('0')
  const counted = app.getByRole('list', { name: 'Counted' })
  await expect(counted).toContainText('1 more')
  await expect(counted).toContainText('1 fewer')
  await app.getByRole('button', { name: 'Set it right: 2 differences' }).click()
  await expect(part(app, 'Deck cap · Quay Blue')).toContainText('of 3')
  await expect(part(app, 'Bobble cap · Pewter')).toHaveCount(0)
  await undo(app).click()
  await expect(part(app, 'Bobble cap · Pewter')).toHaveCount(1)
})

test('two windows move the last one: one wins, the other is told', async ({ app, context, server }) => {
  await toBin(app, 'Hats')
  const other = await context.newPage()
  await other.goto(`${server.url}/drawer/bins/B5`)
  const take = async (page: Page) => {
    await howMany(page, 'Oilskin hat · Marigold').fill('1')
    await page.getByRole('button', { name: 'Move…' }).click()
    const dialog = page.getByRole('dialog', { name: 'Move 1 part' })
    await dialog.getByRole('combobox', { name: 'Into the bin' }).selectOption({ label: 'Torsos' })
    return dialog
  }
  const [mine, theirs] = [await take(app), await take(other)]
  await mine.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(part(app, 'Oilskin hat · Marigold')).toHaveCount(0)
  await theirs.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(theirs.getByRole('alert')).toContainText('It was moved meanwhile; nothing was changed by this.')
})

test('what can be built is built at the workbench: gathered, ticked, finished, and taken apart again', async ({
  app,
}) => {
  await toDrawer(app)
  await views(app).getByRole('link', { name: 'Can be built' }).click()
  const complete = app.getByRole('region', { name: 'Complete' })
  await expect(complete.getByRole('listitem')).toHaveCount(1)
  await expect(app.getByRole('region', { name: 'By taking something apart' })).toContainText('Takes apart: ')
  await expect(app.getByRole('region', { name: 'Lacks one part' })).toContainText('Odile at twelve')
  await complete.getByRole('link', { name: 'To the workbench' }).click()
  await expect(app.getByRole('heading', { name: 'Canal child with net' })).toBeVisible()
  const gather = app.getByRole('region', { name: 'Gather' })
  await expect(gather.getByRole('heading', { level: 3 })).toHaveText(['Mitts and sleeves', 'Swap meet, October'])
  await gather.getByRole('checkbox', { name: /Bowl cut/ }).check()
  const steps = app.getByRole('region', { name: 'Steps' })
  await steps.getByRole('checkbox', { name: /Arms into the torso/ }).check()
  await expect(steps).toContainText('Pull the arm straight out')
  await app.reload()
  await expect(app.getByText(/^1 of \d+ gathered, 1 of \d+ steps done/)).toBeVisible()
  await app.getByRole('button', { name: 'It stands: move all parts onto it' }).click()
  await expect(app.getByText('Stands built.')).toBeVisible()
  await undo(app).click()
  await expect(app.getByRole('button', { name: 'It stands: move all parts onto it' })).toBeVisible()
  await expect(app.getByText(/^0 of \d+ gathered/)).toBeVisible()
})

test('a part two outfits want is handed over, and handed back', async ({ app }) => {
  await toDrawer(app)
  await views(app).getByRole('link', { name: 'Who gets what' }).click()
  const lantern = app
    .getByRole('list', { name: 'Wanted twice' })
    .getByRole('listitem')
    .filter({ hasText: 'Hook lantern' })
  await expect(lantern).toContainText('by the order to Bram, engines. Sif, lanterns lacks it.')
  await lantern.getByRole('combobox').selectOption({ label: 'Sif, lanterns' })
  await expect(lantern).toContainText('promised to Sif, lanterns. Bram, engines lacks it.')
  await undo(app).click()
  await expect(lantern).toContainText('by the order to Bram, engines')
  // The order of the rosters says who comes first.
  const order = app.getByRole('region', { name: 'Order of the rosters' })
  await order.getByRole('button', { name: 'Night market earlier' }).click()
  await order.getByRole('button', { name: 'Night market earlier' }).click()
  await expect(lantern).toContainText('by the order to Sif, lanterns. Bram, engines lacks it.')
})

test('what is left over is listed with its worth, and taken away as a sell list', async ({ app }) => {
  await toDrawer(app)
  await views(app).getByRole('link', { name: 'Left over' }).click()
  const left = app.getByRole('list', { name: 'Left over' })
  await expect(left.getByRole('listitem').first()).toContainText('€')
  await left.getByRole('checkbox').first().check()
  const download = app.waitForEvent('download')
  await app.getByRole('button', { name: 'Sell list of 1 (CSV)' }).click()
  const csv = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n')
  expect(csv[0]!.trim()).toBe('part,name,condition,qty,bin,each,currency')
  expect(csv).toHaveLength(2)
})

test('an army is made of one outfit, with a face for each', async ({ app }) => {
  await app.getByRole('link', { name: 'The Heron crew' }).first().click()
  await app.getByRole('button', { name: 'More for Wen Sorrel' }).click()
  await app.getByRole('menuitem', { name: 'An army of it…' }).click()
  const dialog = app.getByRole('dialog', { name: 'An army of Wen Sorrel' })
  await dialog.getByRole('spinbutton', { name: 'How many in all' }).fill('3')
  await expect(dialog).toContainText('The other 2 need 22 parts')
  await dialog.getByRole('button', { name: 'Make 2 more' }).click()
  await expect(app.getByRole('link', { name: /· Wen Sorrel 3/ })).toBeVisible()
  await undo(app).click()
  await expect(app.getByRole('link', { name: /· Wen Sorrel 3/ })).toHaveCount(0)
})

test('on a phone the bins are a list and the workbench one column', async ({ app, server }) => {
  await app.setViewportSize({ width: 390, height: 844 })
  await app.goto(`${server.url}/drawer`)
  const list = app.getByRole('list', { name: 'Bins in walking order' })
  await list.getByRole('link', { name: /^Fair mitts/ }).click()
  await expect(app.getByRole('heading', { name: 'Fair mitts' })).toBeVisible()
  const wide = () => app.evaluate(() => document.documentElement.scrollWidth)
  expect(await wide()).toBeLessThanOrEqual(390)
  await app.goto(`${server.url}/drawer/buildable`)
  await app.getByRole('link', { name: 'To the workbench' }).first().click()
  await expect(app.getByRole('heading', { name: 'Gather' })).toBeVisible()
  expect(await wide()).toBeLessThanOrEqual(390)
})

import type { Page } from '@playwright/test'
import { expect, look, test, READS } from './fixtures.ts'

const cards = (page: Page) => page.getByRole('list', { name: 'Found parts' }).getByRole('link')
const count = (page: Page) => page.getByRole('status').filter({ hasText: /part/ })
const narrow = (page: Page) => page.getByRole('navigation', { name: 'Narrow the search' })

test(
  'parts are found by words as they are typed, narrowed by facets, and the address keeps the question',
  READS,
  async ({ app }) => {
    await app.goto('/')
    await app.getByRole('link', { name: 'Parts', exact: true }).click()
    await expect(count(app)).toHaveText('703 parts')
    await app.getByRole('searchbox', { name: 'Find parts by words' }).fill('hair, short, side parting, dark')
    await expect(count(app)).toHaveText(/^\d parts?$/)
    await expect(cards(app).first()).toContainText('Side parting')
    await expect(app).toHaveURL(/find=hair/)

    await app.getByRole('button', { name: 'Show all' }).click()
    await expect(count(app)).toHaveText('703 parts')
    await narrow(app).getByRole('button', { name: /^Held/ }).click()
    const held = Number(/\d+/.exec((await count(app).textContent())!)![0])
    await narrow(app).getByRole('button', { name: 'yellow' }).click()
    await expect(count(app)).not.toHaveText(`${held} parts`)
    await narrow(app).getByRole('button', { name: '€1.00' }).click()
    await app.getByRole('combobox', { name: 'Order' }).selectOption('price')
    await expect(app).toHaveURL(/on=held.*colour=yellow.*price=100.*order=price/)
    const prices = (await cards(app).allTextContents()).flatMap((text) => /€([\d.]+)/.exec(text)?.[1] ?? []).map(Number)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
    expect(Math.max(...prices)).toBeLessThanOrEqual(1)

    const address = app.url()
    await cards(app).first().click()
    await expect(app.getByRole('region', { name: 'Colours' })).toBeVisible()
    await app.goBack()
    await expect(app).toHaveURL(address)
    await expect(narrow(app).getByRole('button', { name: /^Held/ })).toHaveAttribute('aria-pressed', 'true')
  },
)

test('the field follows the address: a link to all parts and the way back', READS, async ({ app }) => {
  const field = app.getByRole('searchbox', { name: 'Find parts by words' })
  await app.goto('/parts?find=deck+cap')
  await expect(field).toHaveValue('deck cap')
  await app.getByRole('link', { name: 'Parts', exact: true }).click()
  await expect(field).toHaveValue('')
  await expect(count(app)).toHaveText('703 parts')
  await app.goBack()
  await expect(field).toHaveValue('deck cap')
  await expect(count(app)).not.toHaveText('703 parts')
})

test('what fits nothing says so and leads back to everything', READS, async ({ app }) => {
  await app.goto('/parts?find=unheard-of')
  await expect(app.getByRole('heading', { name: 'No part answers to all of that' })).toBeVisible()
  await app.getByRole('button', { name: 'Show all parts' }).click()
  await expect(count(app)).toHaveText('703 parts')
})

test('the list is walked by arrow keys to its very end, and Enter opens a part', READS, async ({ app }) => {
  await app.goto('/parts?on=headgear&order=code')
  await expect(cards(app).first()).toBeVisible()
  await app.keyboard.press('/')
  await app.keyboard.press('ArrowDown')
  await expect(cards(app).first()).toBeFocused()
  await app.keyboard.press('ArrowRight')
  await expect(app.locator('[data-at="1"] > a')).toBeFocused()
  await app.keyboard.press('ArrowDown')
  await expect(app.locator('[data-at="7"] > a')).toBeFocused()
  await app.keyboard.press('End')
  await expect(app.locator('[data-at="97"] > a')).toBeFocused()
  await app.keyboard.press('Enter')
  await expect(app).toHaveURL(/\/parts\/P-/)
})

test('far down the list parts are fetched when they come in sight', READS, async ({ app }) => {
  const asked: string[] = []
  app.on('request', (request) => request.url().includes('/parts/find') && asked.push(request.url()))
  await app.goto('/parts')
  await expect(cards(app).first()).toBeVisible()
  expect(asked.some((url) => url.includes('offset=360'))).toBe(false)
  await app
    .getByRole('list', { name: 'Found parts' })
    .evaluate((list) => list.parentElement!.scrollTo({ top: 168 * 62 }))
  await expect(app.locator('[data-at="372"] > a')).toBeVisible()
  expect(asked.some((url) => url.includes('offset=360'))).toBe(true)
  expect(await cards(app).count()).toBeLessThan(90)
})

test('every mould lies on a contact sheet, in three colours, from both sides', READS, async ({ app }) => {
  await app.goto('/moulds')
  await expect(app.getByText(/^132 moulds, each in /)).toBeVisible()
  await expect(app.getByRole('img', { name: /, front$/ })).toHaveCount(132 * 3)
  const bun = app.getByRole('img', { name: /^High bun in .*, front$/ })
  await expect(bun).toHaveCount(3)
  const looks = await Promise.all([0, 1, 2].map((i) => look(bun.nth(i))))
  expect(new Set(looks).size).toBe(3)
  await app.getByRole('button', { name: 'back', exact: true }).click()
  const behind = app.getByRole('img', { name: /^High bun in .*, back$/ })
  await expect(behind).toHaveCount(3)
  expect(looks).not.toContain(await look(behind.first()))
})

test('whatever the catalogue lacks can be made from a menu', READS, async ({ app }) => {
  await app.goto('/parts')
  for (const [name, heading] of [
    ['Part', 'Own part'],
    ['Print', 'Own print'],
    ['Mould', 'Own mould'],
    ['Colour', 'Own colour'],
    ['Figure', 'Own figure'],
    ['Release', 'Own release'],
  ]) {
    await app.getByRole('button', { name: 'Make your own' }).click()
    await app.getByRole('menuitem', { name: new RegExp(`^${name}`) }).click()
    await expect(app.getByRole('heading', { level: 1, name: heading! })).toBeVisible()
    await app.goBack()
  }
})

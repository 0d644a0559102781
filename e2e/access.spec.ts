import { addressOf, bench, EMPTY, expect, go, IS_LONG, openOutfit, test, READS } from './fixtures.ts'
import { faults } from './accessFaults.ts'

test('a fault of access is found, in either theme', async ({ page }) => {
  await page.setContent(
    '<html lang="en"><title>Page</title><style>@media (prefers-color-scheme: dark) { p { color: #777; background: #666 } }</style><p>Words</p><button></button>',
  )
  const found = (await faults(page)).map((fault) => fault.split(': ').slice(0, 2).join(': '))
  // In the long form the dark theme is held against every rule as well.
  const everyRule = IS_LONG ? ['dark: button-name'] : []
  expect(found.sort()).toEqual([...everyRule, 'dark: color-contrast', 'light: button-name'])
})

test('views of a roster have no faults of access', READS, async ({ app }) => {
  await go(app, addressOf('Ferry people'))
  await expect(app.getByRole('heading', { name: /Ferry people/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
  for (const [view, seen] of [
    ['Table', app.getByRole('region', { name: 'Outfits as a table' })],
    ['Briefs', app.getByRole('region', { name: 'Briefs' })],
    ['Facts', app.getByRole('region', { name: 'To spend less' })],
    ['Uniforms and heads', app.getByRole('region', { name: 'One person, one head' })],
    ['Cast the roster', app.getByRole('form', { name: 'How to cast' })],
    ['Team casting', app.getByRole('button', { name: /^Cast/ })],
    ['Line-up', app.getByRole('img', { name: /^Line-up/ })],
    ['Sheet', app.getByRole('img', { name: /^Breakdown sheet/ })],
    ['Ranking', app.getByRole('region', { name: 'The order so far' })],
  ] as const) {
    await app.getByRole('link', { name: view, exact: true }).click()
    await expect(seen).toBeVisible()
    expect([view, ...(await faults(app))]).toEqual([view])
  }
  await app.getByRole('link', { name: 'House rules', exact: true }).click()
  await expect(app.getByRole('radio', { name: /^Open bench/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test('the drawer and the workbench have no faults of access', READS, async ({ app }) => {
  for (const [path, seen] of [
    ['drawer', app.getByRole('list', { name: 'Bins', exact: true })],
    ['drawer/bins/B5', app.getByRole('button', { name: 'Take back' }).first()],
    ['drawer/bins/S1', app.getByRole('button', { name: 'Take back' }).first()],
    ['drawer/buildable', app.getByRole('region', { name: 'Complete' })],
    ['drawer/allotment', app.getByRole('list', { name: 'Wanted twice' })],
    ['drawer/leftovers', app.getByRole('list', { name: 'Left over' })],
    ['drawer/history', app.getByRole('button', { name: 'Take back' }).first()],
  ] as const) {
    await go(app, `/${path}`)
    await expect(seen).toBeVisible()
    expect([path, ...(await faults(app))]).toEqual([path])
  }
  await go(app, '/drawer/buildable')
  await app.getByRole('link', { name: 'To the workbench' }).first().click()
  await expect(app.getByRole('region', { name: 'Steps' })).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test('parcels and buying have no faults of access', async ({ app }) => {
  await go(app, '/parcels')
  await app.getByRole('button', { name: 'Check it in' }).click()
  await expect(app.getByRole('form', { name: 'Check in' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/market')
  await app
    .getByRole('button', { name: /^Change / })
    .first()
    .click()
  await expect(app.getByRole('dialog')).toBeVisible()
  expect(await faults(app)).toEqual([])
  for (const [view, title] of [
    ['settings', 'This workspace · Settings · Outfit'],
    ['settings/begin-anew', 'Begin anew · Settings · Outfit'],
  ] as const) {
    await go(app, `/${view}`)
    await expect(app).toHaveTitle(title)
    expect([view, ...(await faults(app))]).toEqual([view])
  }
  await go(app, '/settings/copies')
  await app.getByRole('button', { name: 'Save everything as one file' }).click()
  await expect(app.getByRole('list', { name: 'Copies' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/packs/Q-108')
  await expect(app.getByRole('img', { name: /packs on average/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/market/sellers/tin-whistle')
  await expect(app.getByRole('region', { name: 'Quote sheets' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/prices/figure/F-0022')
  await expect(app.getByRole('region', { name: 'Over time' }).getByRole('img').first()).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/parcels/spending')
  await expect(app.getByRole('img', { name: /days of orders/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Plan the buying' }).click()
  await expect(app.getByRole('radio', { name: /Figures and boxes first/ })).toBeEnabled({ timeout: 60_000 })
  await app.getByRole('button', { name: /Sellers asked/ }).click()
  await expect(app.getByRole('checkbox', { name: /^Leave out/ }).first()).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test('main views have no faults of access', async ({ app }) => {
  await go(app, '/')
  await expect(app.getByRole('img', { name: 'Bram, engines' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await openOutfit(app, 'Lune, bread')
  await expect(bench(app).cost).toContainText('to finish')
  await bench(app)
    .tray.getByRole('button', { name: /^Alter / })
    .first()
    .click()
  await app.getByRole('button', { name: 'Paint' }).click()
  expect(await faults(app)).toEqual([])
  await openOutfit(app, 'Bram, engines')
  await expect(bench(app).cost).toContainText('to finish')
  expect(await faults(app)).toEqual([])
  await app.keyboard.press('?')
  await expect(app.getByRole('dialog')).toBeVisible()
  expect(await faults(app)).toEqual([])
  await app.keyboard.press('Escape')
  await app.getByRole('link', { name: 'Plan the buying' }).click()
  await expect(app.getByRole('radio', { name: /Best plan/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test('parts, the catalogue, tables and the card have no faults of access', async ({ app }) => {
  await go(app, '/parts/P-00031')
  await expect(app.getByRole('region', { name: 'Colours' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await app.getByRole('button', { name: /^Lagoon/ }).click()
  await expect(app.getByRole('region', { name: 'Goes with' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/releases/Q-101')
  await expect(app.getByRole('heading', { name: 'How many boxes' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/parts/P-00054/uses')
  await expect(app.getByRole('list', { name: 'Uses' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/parts')
  await expect(app.getByRole('list', { name: 'Found parts' }).getByRole('link').first()).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/show')
  await expect(app.getByRole('link', { name: 'Card of Bram, engines' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await go(app, '/moulds')
  await expect(app.getByRole('img', { name: /^Gull in/ }).first()).toBeVisible()
  expect(await faults(app)).toEqual([])
  for (const entry of [
    'prints/D-TORSO-QUAY-JACKET',
    'parts/P-00471',
    'figures/F-0043',
    'releases/Q-108',
    'moulds/M-DECK',
    'colours/tar',
  ]) {
    await go(app, `/catalogue/${entry}`)
    await expect(app).toHaveTitle(`Change ${entry.split('s/')[0]} · Outfit`)
    await expect(app.getByRole('button', { name: 'Save the changes' })).toBeVisible()
    expect([entry, ...(await faults(app))]).toEqual([entry])
  }
  await go(app, '/tables')
  await expect(app).toHaveTitle('Bring a table in · Outfit')
  expect(await faults(app)).toEqual([])
  await app.locator('input[type=file]').setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('code,name\nX-1,"Torso with jacket, red"\nX-2,Thing\n'),
  })
  await expect(app.getByRole('region', { name: 'Faults' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Card' }).click()
  await expect(app.getByRole('img', { name: /^Card of/ })).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test('what is written and worked out for an outfit has no faults of access', async ({ app }) => {
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Brief', exact: true }).click()
  await expect(app.getByRole('list', { name: 'Colours of the picture' })).toBeVisible()
  await app.getByRole('list', { name: 'Colours of the picture' }).getByRole('button').first().click()
  expect(await faults(app)).toEqual([])
  await app.getByRole('button', { name: 'Read the picture' }).click()
  await expect(app.getByRole('list', { name: 'Against the picture' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await app.getByRole('link', { name: 'Takes', exact: true }).click()
  await expect(app.getByRole('region', { name: 'For someone else' })).toContainText('common')
  expect(await faults(app)).toEqual([])
  await app.getByRole('link', { name: 'Casting', exact: true }).click()
  await app.getByRole('button', { name: 'Cast ten outfits' }).click()
  await expect(app.getByRole('list', { name: 'Outfits', exact: true })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await app.getByRole('tab', { name: 'For less money' }).click()
  await app.getByRole('button', { name: 'Draw the curve' }).click()
  await expect(app.getByRole('list', { name: 'Outfits on the curve' })).toBeVisible()
  expect(await faults(app)).toEqual([])
  await app.getByRole('link', { name: 'Later', exact: true }).click()
  await expect(app.getByRole('region', { name: 'Waiting' })).toBeVisible()
  expect(await faults(app)).toEqual([])
})

test(
  'the first screen and the talk about a list have no faults of access',
  { tag: [EMPTY.tag, READS.tag] },
  async ({ app }) => {
    await go(app, '/')
    await expect(app.getByRole('heading', { name: 'Nothing here yet' })).toBeVisible()
    expect(await faults(app)).toEqual([])
    await app.getByRole('link', { name: 'Bring a list in' }).click()
    await expect(app.getByLabel('Lists to bring in')).toBeAttached()
    expect(await faults(app)).toEqual([])
    await app.getByLabel('Lists to bring in').setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('name;colour;qty;bin\nTorso;Zwielicht;2;Box 1\nOddity;red;two;Box 1\nWhatsit;grey;1;\n'),
    })
    await expect(app.getByRole('complementary', { name: 'What comes of it' })).toBeVisible()
    await app.getByRole('button', { name: 'Change columns' }).click()
    await expect(app.getByLabel('What colour is', { exact: true })).toBeVisible()
    expect(await faults(app)).toEqual([])
  },
)

test('rooms are reached by keys', async ({ app }) => {
  await openOutfit(app, 'Teo, tickets')
  for (const [key, address] of [
    ['s', /sourcing/],
    ['c', /card/],
    ['h', /\/show$/],
    ['p', /\/parts$/],
    ['b', /bench/],
    ['r', /\/$/],
  ] as const) {
    await app.keyboard.press('g')
    await app.keyboard.press(key)
    await expect(app).toHaveURL(address)
  }
})

test('the whole way to a worn part goes without a mouse', async ({ app }) => {
  await go(app, '/')
  await expect(app.getByRole('img', { name: 'Bram, engines' })).toBeVisible()
  const link = app.getByRole('link', { name: /· Bram/ })
  for (let i = 0; i < 40 && !(await link.evaluate((element) => element === document.activeElement)); i++)
    await app.keyboard.press('Tab')
  await expect(link).toBeFocused()
  await app.keyboard.press('Enter')
  const list = app.getByRole('listbox', { name: 'Candidates' })
  await expect(list.getByRole('option').first()).toBeVisible()
  await list.focus()
  const at = async () => Number((await list.getAttribute('aria-activedescendant'))?.slice('candidate-P-'.length))
  const order = await list
    .getByRole('option')
    .evaluateAll((options) => options.map(({ id }) => Number(id.slice('candidate-P-'.length))))
  for (const [key, index] of [
    ['ArrowRight', 1],
    ['ArrowDown', 4],
    ['ArrowLeft', 3],
    ['ArrowUp', 0],
    ['ArrowRight', 1],
  ] as const) {
    await app.keyboard.press(key)
    await expect.poll(at).toBe(order[index])
  }
  const picked = await list.getAttribute('aria-activedescendant')
  await app.keyboard.press('Enter')
  await expect(app.locator(`#${picked}`)).toHaveAttribute('aria-selected', 'true')
})

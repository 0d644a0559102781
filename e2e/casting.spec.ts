import type { Page } from '@playwright/test'
import { addressOf, bytesOf, candidates, expect, openOutfit, test } from './fixtures.ts'

const outfits = (app: Page) => app.getByRole('list', { name: 'Outfits', exact: true }).getByRole('button')

async function toRoom(app: Page, name: string, room: string): Promise<void> {
  await app.goto(`${addressOf(name)}/${room.toLowerCase()}`)
  await expect(app.getByRole('link', { name: room, exact: true })).toHaveAttribute('aria-current', 'page')
}

test('ten outfits are cast, the best first, and one is worn as a new take', async ({ app }) => {
  await toRoom(app, 'Odile, skipper', 'Casting')
  await app.getByRole('button', { name: 'Cast ten outfits' }).click()
  await expect(outfits(app)).toHaveCount(10)
  await expect(app.getByText('every other outfit is proven to be worth less')).toBeVisible()
  const names = await outfits(app).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!))
  const worth = names.map((name) => {
    const [, points, price] = /likeness (\d+), (?:€(\d+\.\d\d)|all owned)/.exec(name)!
    return Number(points) - 0.5 * Number(price ?? 0)
  })
  for (const [i, value] of worth.entries()) if (i > 0) expect(value).toBeLessThanOrEqual(worth[i - 1]! + 1)
  await outfits(app).nth(1).click()
  await expect(app.getByRole('heading', { name: 'Number 2' })).toBeVisible()
  await app.getByRole('button', { name: 'Wear as a new take' }).click()
  await app.getByRole('button', { name: 'To the bench' }).click()
  await expect(app).toHaveURL(/take=C/)
  await expect(candidates(app).first()).toBeVisible()
  await expect(app.getByRole('button', { name: 'Take C' })).toHaveAttribute('aria-current', 'true')
})

test('a limit nothing keeps, and musts nobody meets, are said with what would do', async ({ app }) => {
  await toRoom(app, 'Bram', 'Casting')
  await app.getByRole('textbox', { name: 'Spend at most' }).fill('0.05')
  await app.getByRole('textbox', { name: 'Spend at most' }).press('Enter')
  await app.getByRole('button', { name: 'Cast ten outfits' }).click()
  await expect(
    app.getByText(/^Nothing that meets every must can be had for €0\.05; the cheapest comes to €\d+\.\d\d\.$/),
  ).toBeVisible()
  await app.getByRole('radio', { name: 'the drawer' }).check({ force: true })
  await app.getByRole('button', { name: 'Cast ten outfits' }).click()
  await expect(app.getByText(/^Nothing for .* in the drawer meets/)).toBeVisible()
})

test('a casting is cancelled, and leaving ends it', async ({ app }) => {
  await toRoom(app, 'Odile, skipper', 'Casting')
  await app.route('**/api/parts?slot=beside*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await route.continue()
  })
  await app.getByRole('button', { name: 'Cast ten outfits' }).click()
  await app.getByRole('button', { name: 'Cancel' }).click()
  await expect(app.getByRole('button', { name: 'Cast ten outfits' })).toBeVisible()
  await app.waitForTimeout(2000)
  await expect(outfits(app)).toHaveCount(0)
})

test('for less money: the curve, its table, the dear part, and the cheapest that keeps a likeness', async ({ app }) => {
  await toRoom(app, 'Bram', 'Casting')
  await app.getByRole('tab', { name: 'For less money' }).click()
  await expect(app.getByText(/^Take A has a likeness of/)).toContainText(/Oilskin hat · Bottle makes \d+ % of the €/)
  await app.getByRole('button', { name: 'Draw the curve' }).click()
  const onCurve = app.getByRole('list', { name: 'Outfits on the curve' }).getByRole('button')
  await expect(onCurve.first()).toBeVisible()
  await expect(app.getByRole('img', { name: /buys a likeness of \d+, €/ })).toBeVisible()
  await app.getByRole('button', { name: 'As a table' }).click()
  const rows = app.getByRole('table').getByRole('row')
  expect(await rows.count()).toBeGreaterThan(5)
  await app.getByRole('spinbutton', { name: 'Likeness to keep' }).fill('85')
  await app.getByRole('button', { name: 'Make the cheapest take that keeps it' }).click()
  await expect(app.getByText('a cent less would not do')).toBeVisible()
  await expect(app.getByText(/^Take D costs €\d+\.\d\d and keeps \d+ points\.$/)).toBeVisible()
  await app.getByRole('spinbutton', { name: 'Likeness to keep' }).fill('100')
  await app.getByRole('button', { name: 'Make the cheapest take that keeps it' }).click()
  await expect(app.getByRole('alert')).toContainText('No outfit reaches 100 points')
})

test('takes stand side by side; they are named, voted for, chosen with a reason, taken down and brought back', async ({
  app,
}) => {
  await toRoom(app, 'Teo', 'Takes')
  for (const label of ['A', 'B', 'C']) {
    await expect(app.getByRole('img', { name: `Take ${label}, front` })).toBeVisible()
    await expect(app.getByRole('img', { name: `Take ${label}, back` })).toBeVisible()
  }
  const differences = app.getByRole('region', { name: 'Differences' })
  await expect(differences.getByRole('row', { name: /^Headgear/ })).toContainText('Close crop')
  await expect(differences).toContainText('Alike in torso, arms, hands.')

  await app.getByRole('button', { name: 'Rename take B' }).click()
  await app.getByRole('textbox', { name: 'New name of take B' }).fill('all black')
  await app.keyboard.press('Enter')
  await expect(app.getByRole('heading', { name: 'Take all black' })).toBeVisible()

  await app.getByRole('textbox', { name: 'Your name' }).fill('Marit')
  await app.getByRole('button', { name: 'For all black' }).click()
  const votes = app.getByRole('list', { name: 'Votes' }).getByRole('listitem')
  await expect(votes.filter({ hasText: 'Marit' })).toHaveCount(1)
  await app.getByRole('button', { name: 'For C' }).click()
  await expect(votes.nth(1)).toContainText('Marit')
  await expect(votes.filter({ hasText: 'Marit' })).toHaveCount(1)

  await app.getByRole('combobox', { name: 'It is' }).selectOption('C')
  await app.getByRole('textbox', { name: 'Reason of the verdict' }).fill('The grin.')
  await app.getByRole('button', { name: 'Choose it' }).click()
  await expect(app.getByText('Take C was chosen: “The grin.”')).toBeVisible()

  await app.getByRole('button', { name: 'Take down take all black' }).click()
  await expect(app.getByRole('heading', { name: 'Take all black' })).toHaveCount(0)
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByRole('heading', { name: 'Take all black' })).toBeVisible()
})

test('the comparison is a picture, and a stranger is told where to find the parts', async ({ app }) => {
  await toRoom(app, 'Teo', 'Takes')
  for (const [name, start] of [
    ['PNG', '89504e47'],
    ['SVG', Buffer.from('<svg').toString('hex')],
  ] as const) {
    const download = app.waitForEvent('download')
    await app.getByRole('link', { name }).click()
    expect((await bytesOf(await download)).subarray(0, 4).toString('hex')).toBe(start)
  }
  await expect(app.getByRole('region', { name: 'For someone else' })).toContainText(/\d+ % of its parts are common\./)
})

test('what is put off gathers in one list and is answered by what comes in', async ({ app, server }) => {
  await openOutfit(app, 'Odile, skipper')
  await app.getByRole('link', { name: 'Put off …' }).click()
  await expect(app.getByRole('combobox', { name: 'Place' })).toHaveValue('headgear')
  await app.getByRole('textbox', { name: 'What is put off' }).fill('Her tail in Lagoon, for the masquerade')
  await app.getByRole('combobox', { name: 'Waits for' }).selectOption('waits for a colour')
  await app.getByRole('button', { name: 'Put it off' }).click()
  await expect(app.getByRole('alert')).toContainText('Choose a part')
  await app.getByRole('combobox', { name: 'Part' }).fill('swept')
  await app.getByRole('combobox', { name: 'Part' }).fill('P-00031 · a tail')
  await app.getByRole('combobox', { name: 'Colour' }).selectOption('Lagoon')
  await app.getByRole('button', { name: 'Put it off' }).click()
  const waiting = app.getByRole('region', { name: 'Waiting' })
  await expect(waiting).toContainText('waits for Swept pony tail in Lagoon')
  await app.getByRole('button', { name: 'Take off the list: Look for an umbrella that is shut' }).click()
  await expect(waiting).not.toContainText('umbrella')
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(waiting).toContainText('umbrella')

  const { part } = await server.get<{ part: { mould: string } }>('parts/P-00031')
  await fetch(`${server.url}/api/import/parts`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ csv: `code,name,mould,colours\nP-90001,Swept pony tail,${part.mould},lagoon` }),
  })
  await app.goto('/')
  await app.getByRole('link', { name: '✶ What you waited for is here' }).click()
  const answered = app.getByRole('region', { name: 'Answered' })
  await expect(answered).toContainText('Her tail in Lagoon')
  await answered.getByRole('checkbox').click()
  await expect(answered).toHaveCount(0)
})

import { expect, test, READS } from './fixtures.ts'

test('a part has its prices over half a year, as a chart and in numbers', READS, async ({ app }) => {
  await app.goto('/parts/P-00066')
  await app.getByRole('link', { name: 'Prices over time' }).click()
  await expect(app.getByRole('heading', { name: /^Prices of Felt hat/ })).toBeVisible()
  const history = app.getByRole('region', { name: 'Over time' })
  await expect(history.getByRole('img', { name: /in the middle/ })).toBeVisible()
  await history.getByRole('button', { name: 'Show the numbers' }).click()
  await expect(history.getByRole('row')).toHaveCount(27)
  // A condition in which fewer were for sale.
  const offersOn = () => history.getByRole('row').nth(1).getByRole('cell').nth(1).innerText()
  const both = Number(await offersOn())
  await history.getByRole('radio', { name: 'used', exact: true }).check()
  await expect.poll(async () => Number(await offersOn())).toBeLessThan(both)
  await expect(app.getByRole('region', { name: 'On offer' }).getByRole('listitem')).toHaveCount(both)
  await expect(app.getByRole('region', { name: 'Ways to get it' })).toContainText('The part alone')
})

test('a figure stands against its parts, and an odd price is explained', async ({ app }) => {
  await app.goto('/catalogue/figures/F-0022')
  await app.getByRole('link', { name: 'Prices over time' }).click()
  const against = app.getByRole('region', { name: 'Whole or in parts' })
  await expect(against).toContainText(/Whole from €\d+\.\d\d; its 11 parts singly €\d+\.\d\d/)
  await expect(against.getByRole('listitem').first()).toContainText('Brings all 11')
  // Somebody asks what nobody else would.
  await app.goto('/market/sellers/tin-whistle')
  await app.getByRole('button', { name: 'Write an offer down' }).click()
  const dialog = app.getByRole('dialog', { name: 'An offer of Tin Whistle Parts' })
  await dialog.getByRole('textbox', { name: /^Code/ }).fill('P-00066')
  await dialog.getByRole('combobox', { name: 'Condition' }).selectOption('new')
  await dialog.getByRole('textbox', { name: /^Price of one/ }).fill('-3')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('"-3" is no amount')
  await dialog.getByRole('textbox', { name: /^Price of one/ }).fill('60.00')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog).toBeHidden()
  await expect(app.getByRole('region', { name: 'Quote sheets' })).toContainText('1 line by hand, part of it')
  await app.goto('/prices/part/P-00066')
  await expect(app.getByRole('region', { name: 'On offer' })).toContainText(/◆ Unusual: \d+\.\d times the usual/)
})

test('an outfit says what makes its price; a roster too', async ({ app, server }) => {
  const { rosters } = await server.get<{ rosters: { id: string; outfits: { id: string; name: string }[] }[] }>(
    'rosters',
  )
  const bram = rosters[0]!.outfits.find(({ name }) => name === 'Bram, engines')!
  await app.goto(`/outfits/${bram.id}/sourcing`)
  await app.getByRole('link', { name: 'Prices over time' }).click()
  const makes = app.getByRole('region', { name: 'What makes the cost' })
  await expect(makes).toContainText(/Oilskin hat · Bottle alone makes \d+ % of the price/)
  await expect(makes.getByRole('img', { name: /^By slot: Headgear/ })).toBeVisible()
  const wanted = app.getByText(/^\d+ parts from €/)
  const before = await wanted.innerText()
  await app.getByRole('radio', { name: 'all it wears' }).check()
  await expect(wanted).not.toHaveText(before)
  await app.goto(`/rosters/${rosters[0]!.id}`)
  await app.getByRole('link', { name: 'Prices', exact: true }).click()
  await expect(makes.getByRole('img', { name: /^By outfit: / })).toBeVisible()
})

test('a price that is waited for announces itself in every room', async ({ app, server }) => {
  await app.goto('/prices/part/P-00002')
  const waited = app.getByRole('region', { name: 'Waited for' })
  await waited.getByRole('textbox').fill('0.10')
  await waited.getByRole('button', { name: 'Wait for it' }).click()
  await expect(waited).toContainText('€0.10, since')
  // Lock 9 Loft comes down to it.
  const answer = await fetch(`${server.url}/api/sellers/lock-nine/offers`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ kind: 'part', thing: 'P-00002', condition: 'used', price: 9, stock: 2, multiple: 1 }),
  })
  expect(answer.status).toBe(204)
  await app.goto('/drawer')
  await app.getByRole('button', { name: '✶ A price is met' }).click()
  await app.getByRole('link', { name: 'Close crop, Chestnut' }).click()
  await expect(waited).toContainText('€0.09, you waited for €0.10')
  await expect(app.getByRole('button', { name: '✶ A price is met' })).toHaveCount(0)
  await waited.getByRole('button', { name: 'Stop waiting' }).click()
  await expect(waited).not.toContainText('you waited for')
})

test('the market is asked: what comes is brought in, who is silent is named and asked again', async ({ app }) => {
  await app.goto('/market')
  const asked = app.getByRole('region', { name: 'The market asked' })
  await asked.getByRole('button', { name: 'Ask the market' }).click()
  await expect(asked.getByRole('progressbar', { name: 'Lists asked for' })).toBeVisible()
  await expect(asked).toContainText(/Waiting for .*again, 2 of 3/)
  await expect(asked).toContainText(/\d of 9 lists came whole, .*1 did not come/, { timeout: 60_000 })
  await asked.getByText('What came of whom').click()
  await expect(asked.getByRole('listitem').filter({ hasText: 'Marrow Lane Bits' })).toContainText(
    'No list came after 3 requests: it did not answer in time. The last one stands.',
  )
  const shed = asked.getByRole('listitem').filter({ hasText: 'Almanac Shed' })
  await expect(shed).toContainText('could not be read; those stand as they were')
  await shed.getByText('Which lines').click()
  await expect(shed.getByRole('listitem').first()).toContainText(/^Line \d+: /)
  await expect(app.getByRole('row').filter({ hasText: 'Lock 9 Loft' })).toContainText('today')
  // Only those are asked again of whom something is missing; this time it is stopped.
  await asked.getByRole('button', { name: /^Ask .* again$/ }).click()
  await asked.getByRole('button', { name: 'Stop' }).click()
  await expect(asked.getByRole('alert')).toContainText('Stopped. Lists that had come are kept')
})

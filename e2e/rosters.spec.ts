import { EMPTY, expect, openOutfit, test, READS } from './fixtures.ts'

test('rosters stand as shelves of drawn figures; a roster and an outfit open from there', async ({ app }) => {
  await app.goto('/')
  await expect(app.getByRole('heading', { name: 'Rosters' })).toBeVisible()
  for (const name of ['Odile, skipper', 'Odile at twelve', 'Bram, engines', 'Teo, tickets']) {
    const figure = app.getByRole('img', { name })
    await expect(figure).toBeVisible()
    expect(await figure.locator('path').count()).toBeGreaterThan(30)
  }
  await app.getByRole('link', { name: 'Ferry people' }).click()
  await expect(app).toHaveURL(/\/rosters\//)
  await expect(app.getByText('House rules: Exchange only')).toBeVisible()
  await expect(app.getByText(/12 December 2026/)).toBeVisible()
  await expect(app.getByRole('heading', { name: /Ferry people/ })).toContainText('4 of 4 cast')
  await openOutfit(app, 'Teo, tickets')
  await expect(app).toHaveURL(/\/outfits\/.+\/bench/)
})

test('figures stand at true relative height', READS, async ({ app }) => {
  await app.goto('/')
  const headOf = async (name: string) => (await app.getByRole('img', { name }).locator('path').last().boundingBox())!.y
  await expect(app.getByRole('img', { name: 'Odile at twelve' })).toBeVisible()
  expect(await headOf('Odile at twelve')).toBeGreaterThan(await headOf('Odile, skipper'))
})

test(
  'another view begins at its top, however far down one was, and going back finds it there',
  READS,
  async ({ app }) => {
    await app.goto('/')
    const main = app.getByRole('main')
    const link = app.getByRole('link', { name: 'School regatta' })
    await link.scrollIntoViewIfNeeded()
    const down = () => main.evaluate((element) => element.scrollTop)
    const left = await down()
    expect(left).toBeGreaterThan(200)
    await link.click()
    await expect(app.getByRole('heading', { name: /School regatta/ })).toBeVisible()
    await expect.poll(down).toBe(0)
    await app.goBack()
    await expect(link).toBeInViewport()
    await expect.poll(down).toBe(left)
    await app.goForward()
    await expect.poll(down).toBe(0)
  },
)

test('an address that leads nowhere says so and leads back', READS, async ({ app }) => {
  await app.goto('/attic')
  await expect(app.getByRole('heading', { name: 'Nothing hangs here' })).toBeVisible()
  await app.getByRole('link', { name: 'rosters', exact: true }).click()
  await expect(app.getByRole('heading', { name: 'Rosters' })).toBeVisible()
})

test('an outfit that does not exist is told in words, with a way to try again', async ({ app }) => {
  await app.goto('/outfits/NOPE/bench')
  await expect(app.getByRole('alert')).toContainText('There is no outfit NOPE.')
  await expect(app.getByRole('button', { name: 'Try again' })).toBeVisible()
})

test('an empty data folder shows three ways in', { tag: [EMPTY.tag, READS.tag] }, async ({ app }) => {
  await app.goto('/')
  await expect(app.getByRole('heading', { name: 'Nothing here yet' })).toBeVisible()
  await expect(app.getByRole('link', { name: 'Bring a list in' })).toBeVisible()
  await expect(app.getByRole('button', { name: 'Begin a roster' })).toBeVisible()
  await expect(app.getByText('npm run demo')).toBeVisible()
})

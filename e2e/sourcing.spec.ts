import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { bench, bytesOf, expect, openOutfit, test, wear } from './fixtures.ts'

interface Plan {
  status: string
  total: number
  baskets: {
    seller: string
    lines: { offer: string; qty: number }[]
    goods: number
    shipping: number
    handling: number
  }[]
  unmet: unknown[]
}

const CLI = fileURLToPath(new URL('../server/dist/bundle/planCli.js', import.meta.url))
const cents = (text: string | null) =>
  Math.round(Number(/€([\d,]+\.\d\d)/.exec(text ?? '')![1]!.replace(',', '')) * 100)
/** "3 parcels", also where an amount with its cents stands right before it. */
const parcelsIn = (text: string | null) => Number(/(?:^|\.\d\d|\D)(\d+) parcels?/.exec(text ?? '')![1])

test('the cost tape shows a real plan, which follows every change', async ({ app }) => {
  await openOutfit(app, 'Bram, engines')
  const { cost } = bench(app)
  await expect(cost).toContainText(/€\d+\.\d\d to finish/)
  await expect(cost).toContainText(/best plan: \d+ parcels? from /)
  const dear = cents(await cost.textContent())
  const segments = await cost
    .getByRole('group', { name: 'Cost tape' })
    .getByRole('button')
    .evaluateAll((list) => list.map((s) => s.getAttribute('aria-label')!))
  expect(segments.length).toBeGreaterThan(3)
  expect(segments.at(-1)).toContain('shipping')
  await wear(app, 'Headgear', 'deck cap')
  await expect(cost).toContainText(/€\d+\.\d\d to finish/)
  await expect.poll(async () => cents(await cost.textContent())).toBeLessThan(dear)
})

test('what is owned needs no plan', async ({ app }) => {
  await openOutfit(app, 'Teo, tickets')
  const { cost, row, tray } = bench(app)
  for (const label of [
    'Head',
    'Held, right',
    'Held, left',
    'Waist',
    'Neck',
    'Legs',
    'Torso',
    'Arms',
    'Hands',
    'Headgear',
  ]) {
    await row(label).click()
    for (const off of await tray.getByRole('button', { name: /^Take off/ }).all()) {
      const stated = await row(label).textContent()
      if (stated?.includes('nothing') || /owned/.test(stated ?? '')) continue
      await off.click()
    }
  }
  await expect(cost).toContainText('All owned')
})

test('one button plans the buying; plan, shopping list and problem can be taken away and agree', async ({
  app,
  server,
}) => {
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Plan the buying' }).click()
  const heading = app.getByRole('heading', { level: 1 })
  await expect(heading).toContainText(/\d+ parcels?, €\d+\.\d\d, all here in \d+ days/)
  await expect(app.getByText(/^proven: no plan is cheaper than/)).toBeVisible()
  const best = app.getByRole('radio', { name: /Best plan/ })
  const naive = app.getByRole('radio', { name: /Cheapest of each/ })
  await expect(best).toBeChecked()
  const total = cents(await best.textContent())
  expect(cents(await naive.textContent())).toBeGreaterThan(total)
  const parcels = parcelsIn(await heading.textContent())
  expect(parcelsIn(await best.textContent())).toBe(parcels)
  await expect(app.getByRole('article', { name: /Parcel from/ })).toHaveCount(parcels)
  await expect(app.getByRole('article').first().getByRole('listitem').first().locator('svg')).toBeVisible()

  const take = async (name: string) => {
    const [download] = await Promise.all([app.waitForEvent('download'), app.getByRole('link', { name }).click()])
    return { name: download.suggestedFilename(), bytes: await bytesOf(download) }
  }
  const plan = await take('Plan (JSON)')
  expect(plan.name).toBe('plan Bram, engines.json')
  const parsed = JSON.parse(plan.bytes.toString()) as Plan
  expect(parsed).toMatchObject({ format: 'outfit.sourcing-plan', version: 1, status: 'optimal', total, unmet: [] })
  expect(parsed.baskets.reduce((sum, b) => sum + b.goods + b.shipping + b.handling, 0)).toBe(total)

  const list = await take('Shopping list (CSV)')
  const lines = list.bytes.toString().trim().split('\n')
  expect(lines[0]).toBe('seller,item,offer,qty,each (EUR),sum (EUR)')
  expect(lines.at(-1)).toBe(`,Total,,,,${(total / 100).toFixed(2)}`)
  for (const { lines: bought } of parsed.baskets)
    for (const { offer } of bought) expect(list.bytes.toString()).toContain(offer)

  const problem = await take('Problem (JSON)')
  const { status, stdout } = spawnSync(process.execPath, [CLI, '-'], { input: problem.bytes, encoding: 'utf8' })
  expect(status).toBe(0)
  expect(JSON.parse(stdout) as Plan).toMatchObject({ status: 'optimal', total })
  const health = await server.get<{ status: string }>('health')
  expect(health.status).toBe('ok')
})

test('the naive plan opens into its own parcels and says why it is dearer', async ({ app }) => {
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Plan the buying' }).click()
  await app.getByRole('radio', { name: /Cheapest of each/ }).click()
  const parcels = app.getByRole('article', { name: /Parcel from/ })
  const told = parcelsIn(await app.getByRole('radio', { name: /Cheapest of each/ }).textContent())
  expect(told).toBeGreaterThan(parcelsIn(await app.getByRole('radio', { name: /Best plan/ }).textContent()))
  await expect(parcels).toHaveCount(told)
  const made = app.getByRole('region', { name: 'What it is made of' })
  await expect(made).toContainText(/€\d+\.\d\d over the best plan/)
  await expect(made.getByRole('heading', { name: 'Minimums' })).toBeVisible()
  const sums = await parcels.getByText('this parcel').locator('..').allTextContents()
  const inAll = cents(await made.getByTestId('in-all').textContent())
  expect(sums.reduce((sum, text) => sum + cents(text), 0)).toBe(inAll)
})

test('planning can be stopped and started again', async ({ app }) => {
  await openOutfit(app, 'Bram, engines')
  // The plan's events are held back, so that the view is seen while it waits.
  await app.route('**/api/jobs/*/events', (route) =>
    route.fulfill({
      contentType: 'text/event-stream',
      body: 'data: {"state":"running","progress":{"best":4000,"bound":2000}}\n\nretry: 60000\n\n',
    }),
  )
  await app.goto(app.url().replace('bench', 'sourcing'))
  await expect(app.getByRole('heading', { name: 'Comparing sellers…' })).toBeVisible()
  await expect(app.getByRole('status')).toContainText('best so far €40.00')
  const [cancel] = await Promise.all([
    app.waitForRequest((request) => request.method() === 'DELETE'),
    app.getByRole('button', { name: 'Stop planning' }).click(),
  ])
  expect(cancel.url()).toContain('/api/jobs/')
  await app.unroute('**/api/jobs/*/events')
  await app.reload()
  await expect(app.getByRole('radio', { name: /Best plan/ })).toBeVisible()
})

test('what could still be saved is said in money, and looked for further when asked', async ({ app }) => {
  let reports = 0
  const asked: { seconds?: number }[] = []
  // The first plan is told as one that ran into its time; the second is the server's own.
  await app.route(/\/api\/plans\/[^/]+$/, async (route) => {
    const response = await route.fetch()
    const report = (await response.json()) as { plan: { status: string; total: number; bound: number } }
    if (reports++ === 0) report.plan = { ...report.plan, status: 'time-limit', bound: report.plan.total - 310 }
    await route.fulfill({ response, json: report })
  })
  app.on('request', (request) => {
    if (request.method() === 'POST' && request.url().endsWith('/api/plans'))
      asked.push(request.postDataJSON() as { seconds?: number })
  })
  await openOutfit(app, 'Bram, engines')
  // The bench asks for a plan of its own, which costs it.
  await expect(bench(app).cost).toContainText('best plan')
  reports = 0
  await app.goto(app.url().replace('bench', 'sourcing'))
  await expect(app.getByText('at most €3.10 could still be saved')).toBeVisible()
  await expect(app.getByRole('radio', { name: /Best plan/ })).toContainText('at most €3.10 less')
  await app.getByRole('button', { name: 'Look further for a minute' }).click()
  await expect(app.getByText('Looking further found nothing better.')).toBeVisible()
  await expect(app.getByText(/^proven: no plan is cheaper than/)).toBeVisible()
  expect(asked.at(-1)!.seconds).toBe(60)
})

test('a whole roster is bought at once: other ways stand beside the best, and a seller can be left out', async ({
  app,
  server,
}) => {
  const { rosters } = await server.get<{ rosters: { id: string; name: string }[] }>('rosters')
  await app.goto(`/rosters/${rosters.find(({ name }) => name === 'Night market')!.id}`)
  await app.getByRole('link', { name: 'Buying' }).click()
  const best = app.getByRole('radio', { name: /Best plan/ })
  await expect(best).toBeChecked({ timeout: 60_000 })
  const total = cents(await best.textContent())
  expect(total).toBeLessThan(cents(await app.getByRole('radio', { name: /Cheapest of each/ }).textContent()))

  const fewest = app.getByRole('radio', { name: /Fewest parcels/ })
  await expect(fewest).toBeEnabled({ timeout: 60_000 })
  // Where another way turns out better, it is the best plan from then on.
  await expect
    .poll(async () => cents(await fewest.textContent()) - cents(await best.textContent()))
    .toBeGreaterThanOrEqual(0)
  const whole = app.getByRole('radio', { name: /Figures and boxes first/ })
  await expect(whole).toBeEnabled({ timeout: 60_000 })
  await fewest.click()
  await expect(app.getByRole('article', { name: /Parcel from/ })).toHaveCount(parcelsIn(await fewest.textContent()))
  await best.click()

  const first = app.getByRole('article', { name: /Parcel from/ }).first()
  const name = (await first.getAttribute('aria-label'))!.replace('Parcel from ', '')
  await first.getByRole('button', { name: /Why from/ }).click()
  await expect(app.getByText(new RegExp(`Without ${name}: .*(dearer|cheaper|could not be had)`))).toBeVisible({
    timeout: 60_000,
  })

  await app.getByRole('button', { name: /Sellers asked/ }).click()
  await app.getByRole('checkbox', { name: `Leave out ${name}` }).check()
  await app.keyboard.press('Escape')
  await expect(app.getByRole('button', { name: 'Sellers asked: all but 1' })).toBeVisible({ timeout: 60_000 })
  await expect(best).toBeVisible({ timeout: 60_000 })
  await expect(app.getByRole('article', { name: `Parcel from ${name}` })).toHaveCount(0)
})

test('a limit that is too tight says what would do', async ({ app }) => {
  await openOutfit(app, 'Bram, engines')
  await app.getByRole('link', { name: 'Plan the buying' }).click()
  const best = app.getByRole('radio', { name: /Best plan/ })
  await expect(best).toBeChecked()
  await app.getByRole('textbox', { name: 'Spend at most' }).fill('5')
  await app.keyboard.press('Tab')
  const told = app.getByRole('alert')
  await expect(told).toContainText(/A limit is too tight: \d+ parts? cannot be bought within it/, { timeout: 60_000 })
  await expect(told).toContainText(/It would do with €\d+\.\d\d instead of €5\.00/)
})

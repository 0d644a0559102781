import { bytesOf, EMPTY, expect, test } from './fixtures.ts'

test('everything is saved as one file, changed, and brought back', async ({ app, server }) => {
  await app.goto('/settings')
  await app.getByRole('link', { name: 'Copies', exact: true }).click()
  await expect(app.getByText('There is none yet.')).toBeVisible()
  await app.getByRole('button', { name: 'Save everything as one file' }).click()
  await expect(app.getByText(/^Saved: [\d,]+ entries and \d+ pictures/)).toBeVisible()
  const copies = app.getByRole('list', { name: 'Copies' }).getByRole('listitem')
  await expect(copies).toHaveCount(1)
  const [download] = await Promise.all([
    app.waitForEvent('download'),
    app.getByRole('link', { name: 'Download it' }).click(),
  ])
  expect((await bytesOf(download)).subarray(0, 2).toString()).toBe('PK')
  expect(download.suggestedFilename()).toMatch(/^outfit-\d{4}-.*\.zip$/)

  const names = async () => (await server.get<{ rosters: { name: string }[] }>('rosters')).rosters.map((r) => r.name)
  const before = await names()
  await fetch(`${server.url}/api/rosters`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Made since', note: '', school: 'exchange-only', budget: null, dueOn: null }),
  })
  expect(await names()).toContain('Made since')
  await copies.getByRole('button', { name: /^Bring back/ }).click()
  await app.getByRole('dialog').getByRole('button', { name: 'Bring it back' }).click()
  await expect(app.getByText(/^Brought back: /)).toBeVisible()
  expect(await names()).toEqual(before)
  await expect(copies).toHaveCount(2)
  await expect(copies.first()).toContainText('before a copy was brought back')
  await app.getByRole('link', { name: 'Look at it' }).click()
  await expect(app.getByRole('heading', { name: before[0]! })).toBeVisible()
  await expect(app.getByText('Made since')).toHaveCount(0)
})

test('a workspace begins anew, told to other windows, and comes back from the copy', async ({ app, context }) => {
  const other = await context.newPage()
  await other.goto('/')
  await expect(other.getByRole('heading', { name: 'The Heron crew' })).toBeVisible()
  await app.goto('/settings/begin-anew')
  const clear = async () => {
    await app.getByRole('button', { name: 'Clear what is ticked' }).click()
    await app.getByRole('dialog').getByRole('button', { name: 'Clear it' }).click()
  }
  await app.getByRole('checkbox', { name: 'The catalogue' }).check()
  await clear()
  await expect(app.getByRole('alert')).toContainText('would speak of what is gone')
  await app.getByRole('button', { name: 'Tick everything' }).click()
  await clear()
  await expect(app.getByText(/^Cleared: [\d,]+ entries/)).toBeVisible()
  await expect(other.getByRole('heading', { name: 'The Heron crew' })).toBeHidden()
  await app.getByRole('link', { name: 'Look at the copies' }).click()
  await app.getByRole('button', { name: /^Bring back/ }).click()
  await app.getByRole('dialog').getByRole('button', { name: 'Bring it back' }).click()
  await expect(app.getByText(/^Brought back: /)).toBeVisible()
  await expect(other.getByRole('heading', { name: 'The Heron crew' })).toBeVisible()
})

test(
  'who has nothing yet is told where copies go, and what is none changes nothing',
  EMPTY,
  async ({ app, server }) => {
    await app.goto('/')
    await app.getByRole('link', { name: 'Bring a copy back' }).click()
    await app
      .getByLabel('A copy to bring back')
      .setInputFiles({ name: 'letter.zip', mimeType: 'application/zip', buffer: Buffer.from('Dear Ada') })
    await app.getByRole('dialog').getByRole('button', { name: 'Bring it back' }).click()
    await expect(app.getByRole('alert')).toContainText('The file is no ZIP archive')
    expect(await server.get('archives')).toEqual([])
  },
)

test('what is being typed goes along in a copy, also to another browser', async ({ app, browser, server }) => {
  await app.goto('/market')
  await app.getByRole('button', { name: 'New seller' }).click()
  await app.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('The shop by the lock')
  await app.goto('/settings/copies')
  await app.getByRole('button', { name: 'Save everything as one file' }).click()
  await expect(app.getByText(/^Saved: /)).toBeVisible()
  await app
    .getByRole('button', { name: /^Bring back/ })
    .first()
    .click()
  await app.getByRole('dialog').getByRole('button', { name: 'Bring it back' }).click()
  await expect(app.getByText(/^Brought back: /)).toBeVisible()
  const other = await (await browser.newContext()).newPage()
  await other.goto(`${server.url}/market`)
  await other.getByRole('button', { name: 'New seller' }).click()
  await expect(other.getByRole('dialog').getByRole('textbox', { name: 'Name' })).toHaveValue('The shop by the lock')
  await other.context().close()
})

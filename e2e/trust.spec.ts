import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures.ts'

/** A page of another port of this machine, such as some other program's. */
async function otherPage(html: string): Promise<{ url: string; close: () => void }> {
  const server = createServer((_request, response) => response.setHeader('Content-Type', 'text/html').end(html))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, close: () => server.close() }
}

test('another page of this machine can neither do anything here nor use up our requests', async ({
  app,
  server,
  context,
}) => {
  await app.goto('/')
  const acts = async () => (await server.get<{ acts: { id: string }[] }>('drawer/acts')).acts
  const before = await acts()
  const page = await otherPage(`<title>waiting</title><script>
    const base = ${JSON.stringify(server.url)}
    const simple = (path, body) => fetch(base + path, { method: 'POST', mode: 'no-cors', credentials: 'include', body }).catch(() => {})
    const picture = () => new Promise((done) => {
      const image = new Image()
      image.onload = image.onerror = done
      image.src = base + '/api/health?' + Math.random()
    })
    const work = async () => {
      await simple('/api/drawer/acts/${before[0]!.id}/reversal')
      await simple('/api/rosters', JSON.stringify({ name: 'Not ours', note: '', school: 'altered' }))
      for (let n = 0; n < 1300; n += 50) await Promise.all(Array.from({ length: 50 }, picture))
      const read = await fetch(base + '/api/rosters').then(() => 'read', () => 'nothing read')
      document.title = 'done: ' + read
    }
    void work()
  </script>`)
  const other = await context.newPage()
  await other.goto(page.url)
  await expect(other).toHaveTitle('done: nothing read')
  page.close()
  expect(await acts()).toEqual(before)
  expect(JSON.stringify(await server.get('rosters'))).not.toContain('Not ours')
  // The person's own page goes on as if nothing had been.
  await app.getByRole('link', { name: 'Drawer' }).first().click()
  await expect(app.getByRole('link', { name: /Hats/ }).first()).toBeVisible()
})

test('two windows change the same: the second is told, and takes theirs or keeps its own', async ({
  app,
  server,
  context,
}) => {
  const other = await context.newPage()
  const dialog = async (page: Page) => {
    await page.goto('/market')
    await page.getByRole('button', { name: 'Change Tin Whistle Parts' }).click()
    return page.getByRole('dialog', { name: 'Tin Whistle Parts' })
  }
  const [mine, theirs] = [await dialog(app), await dialog(other)]
  await theirs.getByRole('textbox', { name: 'Notes' }).fill('answers letters')
  await theirs.getByRole('button', { name: 'Keep it' }).click()
  await expect(theirs).toBeHidden()
  await mine.getByRole('textbox', { name: 'Handling' }).fill('0.70')
  await mine.getByRole('button', { name: 'Keep it' }).click()
  await expect(mine.getByRole('alert')).toContainText('This seller was changed elsewhere meanwhile: notes')
  await mine.getByRole('button', { name: 'Take theirs' }).click()
  await expect(mine.getByRole('textbox', { name: 'Notes' })).toHaveValue('answers letters')
  await expect(mine.getByRole('textbox', { name: 'Handling' })).not.toHaveValue('0.70')
  await mine.getByRole('textbox', { name: 'Handling' }).fill('0.70')
  await mine.getByRole('button', { name: 'Keep it' }).click()
  await expect(mine).toBeHidden()
  const seller = async () =>
    (await server.get<{ sellers: { code: string; notes: string | null; handling: number }[] }>('sellers')).sellers.find(
      ({ code }) => code === 'tin-whistle',
    )!
  expect(await seller()).toMatchObject({ notes: 'answers letters', handling: 70 })

  // An entry of the catalogue, with a draft that was typed before the other saved.
  const mould = `${server.url}/catalogue/moulds/M-DECK`
  const editor = async (page: Page) => {
    await page.goto(mould)
    await expect(page.getByRole('heading', { name: 'Change mould' })).toBeVisible()
  }
  await editor(app)
  await editor(other)
  await app.getByRole('spinbutton', { name: 'Mass, g' }).fill('1.4')
  await other.getByRole('textbox', { name: 'Name' }).fill('Deck cap, soft')
  await other.getByRole('button', { name: 'Save the changes' }).click()
  await expect(other.getByRole('heading', { name: 'Change mould' })).toBeHidden()
  await app.reload()
  await expect(app.getByRole('spinbutton', { name: 'Mass, g' })).toHaveValue('1.4')
  await app.getByRole('button', { name: 'Save the changes' }).click()
  await expect(app.getByRole('alert')).toContainText('This mould was changed elsewhere meanwhile: name')
  await app.getByRole('button', { name: 'Keep mine' }).click()
  await expect(app.getByRole('heading', { name: 'Change mould' })).toBeHidden()
  const { moulds } = await server.get<{ moulds: { code: string; name: string; mass: number }[] }>('catalogue/basics')
  const deck = moulds.find(({ code }) => code === 'M-DECK')!
  expect(deck.mass).toBe(1.4)
  expect(deck.name).not.toBe('Deck cap, soft')
  await editor(other)
  await editor(app)
  await other.getByRole('spinbutton', { name: 'Mass, g' }).fill('1.5')
  await app.getByRole('textbox', { name: 'Name' }).fill('Deck cap, stiff')
  await app.getByRole('button', { name: 'Save the changes' }).click()
  await expect(app.getByRole('heading', { name: 'Change mould' })).toBeHidden()
  await other.getByRole('button', { name: 'Save the changes' }).click()
  await other.getByRole('button', { name: 'Take theirs' }).click()
  await expect(other.getByRole('textbox', { name: 'Name' })).toHaveValue('Deck cap, stiff')
  await expect(other.getByRole('spinbutton', { name: 'Mass, g' })).toHaveValue('1.4')
})

test('an entry that cannot be drawn takes no shelf with it', async ({ app, server }) => {
  await app.goto('/')
  const refused = await fetch(`${server.url}/api/import/prints`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      csv: 'code,name,kind,front,back,traits\nD-X,Odd,torso,"[{""kind"":""number"",""digit"":""constructor""}]",[],',
    }),
  })
  expect(((await refused.json()) as { rejects: { reason: string }[] }).rejects[0]!.reason).toContain(
    'digit of layer "number" must be one of 1, 2, 3',
  )
  await app.reload()
  await expect(app.getByRole('heading', { name: 'Night market' })).toBeVisible()
})

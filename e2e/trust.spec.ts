import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
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

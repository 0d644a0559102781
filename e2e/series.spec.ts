import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import type { Page } from '@playwright/test'
import { pdfText } from '../server/src/test/pdfText.ts'
import { faultsIn } from './accessFaults.ts'
import { addressOf, bytesOf, expect, go, test } from './fixtures.ts'

const step = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Steps of the series' }).getByRole('link', { name })
/** What a press on a link takes out. */
async function taken(page: Page, name: string) {
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name, exact: true }).click()
  return download
}
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Kept$/ })).toBeVisible()

test('a roster becomes a series with leaflet, carton and packs, which are printed in true millimetres and opened', async ({
  app,
}) => {
  await go(app, `${addressOf('Ferry people')}/series`)
  await app.getByRole('button', { name: 'Make it a series' }).click()
  await expect(app.getByText('have no line of text')).toBeVisible()
  await app.getByLabel('Title').fill('Last ferry')
  await app.getByLabel('Line of text of Odile, skipper').fill('Knows the tide by its first name.')
  await app.getByLabel('Number of Odile, skipper').fill('7')
  await expect(app.getByText('There are no numbers')).toBeVisible()
  await app.getByRole('button', { name: 'Number them as on the shelf' }).click()
  await expect(app.getByText('There are no numbers')).toBeHidden()
  await expect(app.getByLabel('Line of text of Odile, skipper')).toHaveValue('Knows the tide by its first name.')
  await kept(app)
  expect(await faultsIn(app, 'light')).toEqual([])

  // A leaflet of six panels of 60 × 90, with bleed and marks round it.
  await step(app, 'Leaflet').click()
  await expect(app.getByRole('img', { name: 'Outside of the leaflet of Last ferry' })).toBeVisible()
  await app.getByLabel('Wide').fill('7')
  await expect(app.getByText('From 30 to 150 mm.')).toBeVisible()
  await app.getByLabel('Wide').fill('64,5')
  await expect(app.getByText('387 mm × 90 mm flat')).toBeVisible()
  await kept(app)
  expect(await faultsIn(app, 'light')).toEqual([])
  const leaflet = await pdfText(new Uint8Array(await bytesOf(await taken(app, 'PDF'))))
  expect(leaflet.map(({ width, height }) => [width.toFixed(1), height.toFixed(1)])).toEqual([
    ['411.0', '114.0'],
    ['411.0', '114.0'],
  ])
  expect(leaflet.map(({ text }) => text).join(' ')).toContain('Knows the tide by its first name.')

  // A carton that is too large is said to be, with what would take it; what was typed stays.
  await step(app, 'Carton').click()
  await expect(app.getByRole('img', { name: /^Sheet 1/ })).toBeVisible()
  await app.getByRole('radio', { name: 'as I type' }).first().check()
  await app.getByLabel('Deep').fill('60')
  await app.getByLabel('High').fill('110')
  await expect(app.getByRole('alert')).toContainText('A3 takes it.')
  await app.getByRole('radio', { name: 'A3' }).check()
  await expect(app.getByRole('img', { name: /^Sheet 1/ })).toBeVisible()
  await app.getByLabel('How far it is folded').fill('0.4')
  await expect(app.getByRole('application', { name: 'The carton, 40 % closed. Arrow keys turn it.' })).toBeVisible()
  await kept(app)
  expect(await faultsIn(app, 'light')).toEqual([])
  const cartons = await pdfText(new Uint8Array(await bytesOf(await taken(app, 'PDF'))))
  for (const { width, height } of cartons) expect([width, height].map(Math.round).sort()).toEqual([297, 420])
  expect(cartons[0]!.text).toContain('100 mm')

  // No packs are none; two things that fight are named.
  await step(app, 'Packs').click()
  await app.getByLabel('Packs', { exact: true }).fill('0')
  await expect(app.getByRole('alert')).toContainText('“0 packs” against')
  await app.getByLabel('Packs', { exact: true }).fill('6')
  await expect(app.getByRole('heading', { name: 'What is in which pack' })).toBeVisible()
  await app.getByRole('button', { name: 'Add something else' }).click()
  await app.getByLabel('how many').fill('9')
  await expect(app.getByRole('alert')).toContainText(
    '9 bonus items are to be spread, at most one a pack, and there are 6 packs.',
  )
  await app.getByLabel('how many').fill('2')
  await expect(app.getByRole('heading', { name: 'Whoever opens some of them' })).toBeVisible()
  await kept(app)
  expect(await faultsIn(app, 'light')).toEqual([])
  const list = await pdfText(new Uint8Array(await bytesOf(await taken(app, 'Packing list'))))
  expect(list[0]!.text).toContain('Pack 6')
  expect(list[0]!.text.match(/A note/g)).toHaveLength(2)

  // Sealed, they are opened one by one; what was opened is still open after a reload.
  await app.getByRole('button', { name: 'Seal the packs' }).click()
  await expect(app.getByText('6 packs, sealed; 0 of them opened.')).toBeVisible()
  await step(app, 'Opening').click()
  await app.getByRole('button', { name: 'Open the first' }).click()
  await expect(app.getByRole('dialog', { name: 'Pack 1' })).toBeVisible()
  await app.keyboard.press('Enter')
  await expect(app.getByRole('img', { name: /from the front$/ })).toBeVisible()
  await app.keyboard.press('u')
  await expect(app.getByRole('img', { name: /from behind$/ })).toBeVisible()
  expect(await faultsIn(app, 'light')).toEqual([])
  await app.keyboard.press('ArrowRight')
  await expect(app.getByRole('dialog', { name: 'Pack 2' })).toBeVisible()
  await app.keyboard.press('Escape')
  await app.reload()
  await expect(app.getByText('1 of 6 packs opened.')).toBeVisible()
  await expect(app.getByRole('button', { name: 'Open pack 2' })).toBeVisible()
})

test('a ballot is answered in a file of its own, and each answer counts once', async ({ app, context }) => {
  await go(app, `${addressOf('Ferry people')}/ranking/ballots`)
  await app.getByLabel('Title').fill('Who is most like a ferry?')
  await app.getByRole('button', { name: 'Make the ballot' }).click()
  await expect(app.getByRole('heading', { name: 'No answers yet' })).toBeVisible()
  expect(await faultsIn(app, 'light')).toEqual([])
  const file = join(tmpdir(), `outfit-ballot-${process.pid}.html`)
  writeFileSync(file, await bytesOf(await taken(app, 'The file to send')))
  expect(readFileSync(file, 'utf8')).toContain('Who is most like a ferry?')

  const other = await context.newPage()
  const complaints: string[] = []
  other.on('pageerror', ({ message }) => complaints.push(message))
  other.on('console', (message) => message.type() === 'error' && complaints.push(message.text()))
  await other.goto(pathToFileURL(file).href)
  await expect(other.getByRole('heading', { name: 'Your answer' })).toBeHidden()
  await other.locator('#choice button').first().click()
  await other.keyboard.press('2')
  await other.getByLabel('Your name, if you like').fill('Jörg')
  // Of four there are six pairs.
  await expect(other.locator('#left')).toHaveText('2 of 6')
  expect(await faultsIn(other, 'light')).toEqual([])
  const answer = await other.getByLabel('Your answer, to send back').inputValue()
  expect(complaints).toEqual([])
  await other.close()

  const paste = app.getByLabel('Answers that came back')
  const count = app.getByRole('button', { name: 'Count them' })
  await paste.fill(`Here you are!\n${answer}\nGreetings`)
  await count.click()
  await expect(app.getByText('1 new answer counted.')).toBeVisible()
  await paste.fill(answer)
  await count.click()
  await expect(app.getByText('The answer of Jörg was here already and counts once.')).toBeVisible()
  await expect(app.getByRole('heading', { name: 'What 1 answer says together' })).toBeVisible()
  const damaged = answer.slice(0, -12) + answer.slice(-10)
  await paste.fill(damaged)
  await count.click()
  await expect(app.getByText('The answer is damaged: part of it was lost on the way. Ask for it again.')).toBeVisible()
  // Nothing that was typed is lost with it.
  await expect(paste).toHaveValue(damaged)
})

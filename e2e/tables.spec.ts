import type { Page } from '@playwright/test'
import { closeSync, ftruncateSync, openSync } from 'node:fs'
import { bytesOf, expect, test } from './fixtures.ts'

const file = (name: string, text: string | Buffer) => ({
  name,
  mimeType: 'text/csv',
  buffer: typeof text === 'string' ? Buffer.from(text) : text,
})
const choose = (page: Page, name: string, text: string | Buffer) =>
  page.locator('input[type=file]').setInputFiles(file(name, text))
const state = (page: Page) => page.getByRole('region', { name: 'As it will be read' }).getByRole('status')

const LIST = `Item No;Description;Color;Since
X-1;Short hair, side parting;dark brown;2019
X-2;Torso with striped jersey;blue;2020
X-3;Thing nobody knows;plaid;2022
X-4;Cape with star;Wine;soon
`

test('a list of names from elsewhere: columns are found, guesses corrected in bulk, faults told by line', async ({
  app,
}) => {
  await app.goto('/tables')
  await choose(app, 'my list.csv', LIST)
  await expect(app.getByRole('combobox', { name: 'is a table of' })).toHaveValue('parts')
  await expect(app.getByRole('combobox', { name: 'Column for name' })).toHaveValue('Description')
  await expect(state(app)).toHaveText('2 rows can be read, 3 faults')
  const faults = app.getByRole('region', { name: 'Faults' })
  await expect(faults).toContainText('mould cannot be guessed from "Thing nobody knows"')
  await expect(faults.getByRole('row').last()).toContainText('5')
  await expect(faults).toContainText('year "soon" is not a whole number')
  await expect(app.getByRole('button', { name: 'Bring 2 rows in' })).toBeDisabled()

  await app.getByRole('combobox', { name: 'mould for no known word' }).selectOption('Mug')
  await app.getByRole('combobox', { name: 'colour for plaid' }).selectOption('Wine')
  await expect(state(app)).toHaveText('3 rows can be read, 1 fault')
  await app.getByRole('checkbox', { name: /^Leave the rows with faults out/ }).check()
  await app.getByRole('button', { name: 'Bring 3 rows in' }).click()
  await expect(app.getByRole('heading', { name: '3 rows brought in' })).toBeVisible()

  await app.goto('/parts/X-2')
  await expect(app.getByText('Guessed.')).toBeVisible()
  await app.getByRole('link', { name: 'Write the recipe' }).click()
  const front = app.getByRole('region', { name: 'Layers, front' })
  await front.getByRole('combobox', { name: 'Next layer, front' }).selectOption('hoops')
  await front.getByRole('button', { name: 'Lay it on top' }).click()
  await app.getByRole('button', { name: 'Save the changes' }).click()
  await expect(app.getByText('Changed print D-X-2.')).toBeVisible()
  await app.goto('/parts/X-2')
  await expect(app.getByRole('region', { name: 'Colours' })).toBeVisible()
  await expect(app.getByText('Guessed.')).toHaveCount(0)
})

test('columns are remembered by name for the next file', async ({ app }) => {
  await app.goto('/tables')
  await choose(app, 'boxes.csv', 'Kiste,Inhalt\nB71,Attic\n')
  await app.getByRole('combobox', { name: 'is a table of' }).selectOption('bins')
  await app.getByRole('combobox', { name: 'Column for code' }).selectOption('Kiste')
  await app.getByRole('combobox', { name: 'Column for name' }).selectOption('Inhalt')
  await expect(state(app)).toHaveText('1 row can be read, no fault')
  await app.getByRole('textbox', { name: 'Name for these columns' }).fill('Attic list')
  await app.getByRole('button', { name: 'Remember' }).click()
  await expect(app.getByRole('button', { name: 'Attic list', exact: true })).toBeVisible()
  await app.getByRole('button', { name: 'Leave', exact: true }).click()

  await choose(app, 'more.csv', 'Kiste,Inhalt\nB72,Shed\n')
  await app.getByRole('combobox', { name: 'is a table of' }).selectOption('bins')
  await expect(state(app)).not.toHaveText('1 row can be read, no fault')
  await app.getByRole('button', { name: 'Attic list', exact: true }).click()
  await expect(state(app)).toHaveText('1 row can be read, no fault')
  await app.getByRole('button', { name: 'Bring 1 row in' }).click()
  await expect(app.getByRole('heading', { name: '1 row brought in' })).toBeVisible()
  // One press takes it back.
  await app.getByRole('button', { name: 'Take it back' }).click()
  await expect(app.getByText(/is taken back\./)).toBeVisible()
  await expect(app.getByRole('heading', { name: '1 row brought in' })).toBeHidden()
})

test('a file that is no text is refused with its line, and another can be chosen', async ({ app }) => {
  await app.goto('/tables')
  await choose(
    app,
    'broken.csv',
    Buffer.concat([Buffer.from('code,name\nB1,'), Buffer.from([0xff, 0xfe]), Buffer.from('\n')]),
  )
  await expect(app.getByRole('alert')).toContainText('broken.csv: The file is not UTF-8 text: line 2')
  await choose(app, 'good.csv', 'code,name\nB71,Attic\n')
  await expect(app.getByRole('heading', { name: 'good.csv' })).toBeVisible()
})

test('a file of two gigabytes is refused by its name and size', async ({ app }, info) => {
  const path = info.outputPath('everything.csv')
  const huge = openSync(path, 'w')
  ftruncateSync(huge, 2 * 1024 ** 3)
  closeSync(huge)
  await app.goto('/tables')
  await app.locator('input[type=file]').setInputFiles(path)
  await expect(app.getByRole('alert')).toContainText('everything.csv: The file has 2048 MB or more')
  await choose(app, 'good.csv', 'code,name\nB71,Attic\n')
  await expect(app.getByRole('heading', { name: 'good.csv' })).toBeVisible()
})

test('a table taken out is one that can be brought in', async ({ app }) => {
  await app.goto('/tables')
  const download = app.waitForEvent('download')
  await app.getByRole('link', { name: /^moulds/ }).click()
  const csv = (await bytesOf(await download)).toString()
  expect(csv.split('\n')).toHaveLength(132 + 2)
  await choose(app, 'moulds.csv', csv)
  await expect(app.getByRole('combobox', { name: 'is a table of' })).toHaveValue('moulds')
  await expect(state(app)).toHaveText('132 rows can be read, no fault')
})

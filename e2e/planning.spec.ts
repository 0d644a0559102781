import { addressOf, bench, expect, test } from './fixtures.ts'

test('a roster is begun, filled from a pasted list, and the first of it dressed', async ({ app }) => {
  await app.goto('/')
  await app.getByRole('button', { name: 'Begin a roster' }).click()
  const begin = app.getByRole('dialog', { name: 'Begin a roster' })
  await begin.getByRole('textbox', { name: 'Name' }).fill('Ferry people')
  await begin.getByRole('button', { name: 'Begin it' }).click()
  await expect(begin.getByRole('alert')).toContainText('there is a roster Ferry people already')
  await begin.getByRole('textbox', { name: 'Name' }).fill('Lock keepers')
  await begin.getByRole('button', { name: 'Begin it' }).click()
  await expect(app.getByRole('heading', { name: 'Nobody stands here yet' })).toBeVisible()

  await app.getByRole('button', { name: 'Add characters' }).click()
  const add = app.getByRole('dialog', { name: 'Add characters to Lock keepers' })
  await add
    .getByRole('textbox', { name: 'Names' })
    .fill('name,faction,age\nAda Quill,Upper lock,34\nBo Reed,,7\nCy,,old\nada quill,,')
  const understood = add.getByRole('region', { name: 'As understood' })
  await expect(understood.getByText('Line 4: "old" is no age in whole years. It is left out.')).toBeVisible()
  await expect(understood.getByText('7 years, short')).toBeVisible()
  await expect(understood.getByText('This name is in line 2 too.')).toBeVisible()
  await add.getByRole('textbox', { name: 'Names' }).fill('name,faction,age\nAda Quill,Upper lock,34\nBo Reed,,7')
  await add.getByRole('textbox', { name: 'Faction, where the list has none' }).fill('Lower lock')
  await add.getByRole('button', { name: 'Add 2 characters' }).click()
  await expect(app.getByRole('heading', { name: /Lock keepers/ })).toContainText('0 of 2 cast · 2 to be dressed')
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByRole('heading', { name: 'Nobody stands here yet' })).toBeVisible()

  await app.getByRole('button', { name: 'Add characters' }).click()
  await add.getByRole('textbox', { name: 'Names' }).fill('Ada Quill: old woman, grey bun, oddments')
  await expect(understood).toContainText('Hair tied back, Headgear: Pewter · stays in the notes: oddments')
  await add.getByRole('button', { name: 'Add 1 character' }).click()
  await app.getByRole('link', { name: /· Ada Quill/ }).click()
  const { row, candidate, saved } = bench(app)
  await candidate(/./).click()
  await expect(row('Headgear')).not.toContainText('nothing')
  await expect(saved).toBeVisible()
})

test('a roster as a table: filtered, sorted, renamed, and put into factions many at once', async ({ app }) => {
  await app.goto(addressOf('Night market'))
  await app.getByRole('link', { name: 'Table', exact: true }).click()
  const table = app.getByRole('region', { name: 'Outfits as a table' })
  const names = () =>
    table
      .getByRole('textbox', { name: /^Name of/ })
      .evaluateAll((cells) => cells.map((cell) => (cell as HTMLInputElement).value))
  await expect.poll(async () => (await names()).length).toBe(12)
  await table.getByRole('button', { name: 'Pins' }).click()
  await table.getByRole('button', { name: 'Pins' }).click()
  await expect.poll(async () => (await names())[0]).toMatch(/^(Abe|Pia)/)
  await table.getByRole('searchbox', { name: 'Find in this roster' }).fill('warden')
  await expect.poll(names).toEqual(expect.arrayContaining(['Storm warden', 'Lamp lighter']))
  await expect(table.getByText(/^2 of 12/)).toBeVisible()

  const name = table.getByRole('textbox', { name: 'Name of Storm warden' })
  await name.fill('Storm keeper')
  await name.press('Enter')
  await expect(app.getByText('Storm warden changed.')).toBeVisible()
  await expect(table.getByRole('textbox', { name: 'Name of Storm keeper' })).toBeVisible()
  await table.getByRole('checkbox', { name: 'Pick Storm keeper' }).check()
  await table.getByRole('checkbox', { name: 'Pick Lamp lighter' }).check()
  await table.getByRole('combobox', { name: 'into faction' }).fill('Watch')
  await table.getByRole('button', { name: 'Put them there' }).click()
  // Whoever is no warden any more is found without that word.
  await table.getByRole('searchbox', { name: 'Find in this roster' }).fill('')
  await expect(table.getByRole('textbox', { name: 'Faction of Lamp lighter' })).toHaveValue('Watch')
  await app.reload()
  await expect(table.getByRole('textbox', { name: 'Faction of Storm keeper' })).toHaveValue('Watch')
  await app.getByRole('link', { name: 'Shelf', exact: true }).click()
  await expect(app.getByRole('heading', { name: 'Watch' })).toBeVisible()
})

test('many outfits are changed at once: stature by years, house rules, a uniform, taken off', async ({
  app,
  server,
}) => {
  await app.goto('/')
  interface Shelves {
    rosters: {
      name: string
      outfits: {
        name: string
        stature: string
        uniform: string | null
        faction: string
        years: number | null
        switchesReason: string
      }[]
    }[]
  }
  const outfits = async (name: string) =>
    (await server.get<Shelves>('rosters')).rosters.find((roster) => roster.name === name)!.outfits
  const frame = app.getByRole('navigation', { name: 'Ways to look at the roster' })
  await app.getByRole('link', { name: 'School regatta' }).click()
  await expect(frame).toBeVisible()
  // Who is older than the list says, is taller too.
  await app.getByRole('button', { name: 'Add characters' }).click()
  const add = app.getByRole('dialog', { name: 'Add characters to School regatta' })
  const file = add.getByLabel('Or open a file')
  await file.setInputFiles({ name: 'list.bin', mimeType: 'text/csv', buffer: Buffer.from([77, 0, 78]) })
  await expect(add.getByRole('alert')).toContainText('list.bin is no text')
  await file.setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,age\nMats Dol,9\nRie Baas,15'),
  })
  await add.getByRole('button', { name: 'Add 2 characters' }).click()
  await app.getByRole('link', { name: 'Table', exact: true }).click()
  const table = app.getByRole('region', { name: 'Outfits as a table' })
  // All that are shown are picked, so whoever was added has to be there by then.
  await expect(table.getByRole('textbox', { name: 'Name of Rie Baas' })).toBeVisible()
  await table.getByRole('checkbox', { name: 'Pick all shown' }).check()
  const bulk = table.getByRole('form', { name: 'For all picked' })
  await expect(bulk).toContainText('6 picked')
  await bulk.getByRole('button', { name: 'Stature by years' }).click()
  await expect
    .poll(async () => (await outfits('School regatta')).map(({ years, stature }) => `${years} ${stature}`))
    .toEqual(expect.arrayContaining(['7 short', '9 middle', '13 middle', '15 full', '16 full']))
  await bulk.getByRole('combobox', { name: 'House rules for all picked' }).selectOption({ label: 'Open bench' })
  const otherwise = async () => (await outfits('School regatta')).filter(({ switchesReason }) => switchesReason !== '')
  await expect.poll(async () => (await otherwise()).length).toBe(6)
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await otherwise()).length).toBe(0)
  await bulk.getByRole('button', { name: 'Take off' }).click()
  await expect(app.getByText('6 outfits taken off.')).toBeVisible()
  await expect.poll(async () => (await outfits('School regatta')).length).toBe(0)
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(table.getByRole('textbox', { name: 'Name of Rie Baas' })).toBeVisible()

  await app.goto(addressOf('The Heron crew'))
  await expect(frame).toBeVisible()
  await app.getByRole('link', { name: 'Table', exact: true }).click()
  await table.getByRole('checkbox', { name: 'Pick Hale Brook' }).check()
  await bulk.getByRole('combobox', { name: 'Uniform for all picked' }).selectOption({ label: 'none' })
  await expect(app.getByText(/out of uniform; they wear what they wore/)).toBeVisible()
  const hale = async () => (await outfits('The Heron crew')).find(({ name }) => name === 'Hale Brook')!
  await expect.poll(async () => (await hale()).uniform).toBeNull()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await hale()).uniform).not.toBeNull()
})

test('a roster is renamed and limited; somebody gets another outfit and begins with a released figure', async ({
  app,
}) => {
  await app.goto('/')
  const frame = app.getByRole('navigation', { name: 'Ways to look at the roster' })
  await app.getByRole('link', { name: 'Ferry people' }).click()
  await expect(frame).toBeVisible()
  await app.getByRole('button', { name: 'More for this roster' }).click()
  await app.getByRole('menuitem', { name: 'Name, budget, date…' }).click()
  const edit = app.getByRole('dialog', { name: 'Name, budget, date' })
  await edit.getByRole('textbox', { name: 'Name' }).fill('The Heron crew')
  await edit.getByRole('button', { name: 'Keep it so' }).click()
  await expect(edit.getByRole('alert')).toContainText('there is a roster The Heron crew already')
  await edit.getByRole('textbox', { name: 'Name' }).fill('Last ferry')
  await edit.getByRole('textbox', { name: 'Budget' }).fill('15')
  await edit.getByRole('button', { name: 'Keep it so' }).click()
  await expect(app.getByRole('heading', { name: /Last ferry/ })).toBeVisible()
  await expect(app.getByRole('img', { name: /over the budget/ })).toBeVisible()

  await app.getByRole('button', { name: 'More for Teo, tickets' }).click()
  await app.getByRole('menuitem', { name: 'Another outfit of Teo Lamb…' }).click()
  const another = app.getByRole('dialog', { name: 'Another outfit of Teo Lamb' })
  await another.getByRole('textbox', { name: 'Name' }).fill('Teo at six')
  await another.getByRole('spinbutton', { name: 'Age in years' }).fill('6')
  await expect(another.getByRole('checkbox', { name: 'As at that age: face, brows, hair and legs' })).toBeChecked()
  await another.getByRole('button', { name: 'Stand it beside' }).click()
  await expect(app.getByRole('link', { name: /· Teo at six/ })).toBeVisible()

  await app.getByRole('button', { name: 'More for Teo at six' }).click()
  await app.getByRole('menuitem', { name: 'Name, faction, starting figure…' }).click()
  const change = app.getByRole('dialog', { name: 'Teo at six' })
  const begins = change.getByRole('combobox', { name: /^It begins with/ })
  await begins.fill('Ticket')
  await expect(change.getByText('No released figure is called so.')).toBeVisible()
  await begins.fill('Ticket seller')
  await expect(change.getByText('No released figure is called so.')).toHaveCount(0)
  await change.getByRole('button', { name: 'Keep it so' }).click()
  await app.getByRole('link', { name: 'Audit', exact: true }).click()
  await expect(app.getByRole('img', { name: 'Teo at six, released' })).toBeVisible()
})

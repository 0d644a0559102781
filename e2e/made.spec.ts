import { bench, EMPTY, expect, openOutfit, READS, test } from './fixtures.ts'

/** Pick a part in the dialog that lays it on the board. */
async function lay(app: Parameters<typeof openOutfit>[0], words: string, name: RegExp) {
  await app.getByRole('button', { name: 'Add a part' }).click()
  await app.getByRole('searchbox', { name: 'Find parts by words' }).fill(words)
  await app.getByRole('dialog').getByRole('button', { name }).first().click()
}

test('a staff is made of three parts on the board, held, bought by its pieces, and changed for whoever holds it', async ({
  app,
}) => {
  await app.goto('/made/new')
  const save = app.getByRole('button', { name: 'Make it' })
  await expect(save).toBeDisabled()
  await lay(app, 'round rod oak', /Round rod/)
  await lay(app, 'cut jewel berry', /Cut jewel/)
  const board = app.getByRole('group', { name: 'Board' })
  await board.focus()
  for (let press = 0; press < 11; press++) await app.keyboard.press('Shift+ArrowUp')
  await app.keyboard.press('f')
  const picked = app.getByRole('group', { name: 'The piece that is picked' })
  await expect(picked.getByRole('spinbutton', { name: 'down' })).toHaveValue('-110')
  // A horn, doubled and mirrored; then put where the pointer lets it go.
  await lay(app, 'curved horn brass', /Curved horn/)
  await picked.getByRole('spinbutton', { name: 'down' }).fill('-96')
  await board.focus()
  await app.keyboard.press('d')
  await app.keyboard.press('m')
  await app.keyboard.press(']')
  await expect(picked.getByRole('spinbutton', { name: 'turned' })).toHaveValue('15')
  const horn = board.locator('[data-piece="3"]')
  const box = (await horn.boundingBox())!
  await app.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await app.mouse.down()
  await app.mouse.move(box.x + box.width / 2 - 40, box.y + box.height / 2, { steps: 3 })
  await app.mouse.up()
  const across = picked.getByRole('spinbutton', { name: 'across' })
  await expect(across).not.toHaveValue('12')
  // However far it was dragged, one undo takes it back.
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(across).toHaveValue('12')
  await expect(app.getByText(/2 × Curved horn/)).toBeVisible()
  await expect(save).toBeDisabled()
  await app.getByRole('textbox', { name: 'Name' }).fill('Watch staff')
  await app.getByRole('combobox', { name: 'What it is, for briefs' }).fill('staff')
  // What was laid is there again after the page is loaded anew.
  await app.reload()
  await expect(app.getByText('it is not saved yet', { exact: false })).toBeVisible()
  await save.click()
  await expect(app.getByRole('heading', { name: 'Made items' })).toBeVisible()
  await expect(app.getByRole('link', { name: /Watch staff/ })).toContainText('Nobody wears it')

  await openOutfit(app, 'Odile, skipper')
  const { tray, row } = bench(app)
  const held = row('Held, right')
  await held.click()
  await tray.getByRole('button', { name: 'Watch staff' }).click()
  await expect(held).toContainText('Watch staff')
  await expect(tray.getByText('held, right, of 4 pieces')).toBeVisible()
  await expect(tray.getByRole('button', { name: 'Follows' })).toBeVisible()
  await expect(app.getByText('all saved')).toBeVisible()

  await tray.getByRole('link', { name: 'Change Watch staff' }).click()
  await app
    .getByRole('region', { name: 'Pieces' })
    .getByRole('button', { name: /Cut jewel/ })
    .click()
  await app.getByRole('button', { name: 'Remove', exact: true }).first().click()
  await app.getByRole('button', { name: 'Save' }).click()
  await expect(app.getByText('one outfit wears it so now')).toBeVisible()
  await openOutfit(app, 'Odile, skipper')
  await held.click()
  await expect(tray.getByText('held, right, of 3 pieces')).toBeVisible()
  await tray.getByRole('button', { name: /^Take off Watch staff/ }).click()
  await expect(held).toContainText('nothing')
})

test('in an empty workspace the board says where parts come from', { tag: [EMPTY.tag, READS.tag] }, async ({ app }) => {
  await app.goto('/made')
  await app.getByRole('link', { name: 'make the first one' }).click()
  await app.getByRole('button', { name: 'Add a part' }).click()
  await expect(app.getByText('Your workspace has no parts yet.')).toBeVisible()
})

import { addressOf, expect, test } from './fixtures.ts'

test('a box is looked through for what it could do, and one part is tried on a whole band, worn and taken back', async ({
  app,
}) => {
  await app.goto('/')
  await expect(app.getByRole('link', { name: 'Rosters', exact: true })).toBeVisible()
  await app.keyboard.press('Control+k')
  const palette = app.getByRole('dialog', { name: 'Find anything' })
  await expect(palette).toBeVisible()
  await app.keyboard.type('Ferry Landing')
  await palette
    .getByRole('option', { name: /Ferry Landing/ })
    .first()
    .click()
  await expect(app.getByRole('heading', { name: /What Ferry Landing could do/ })).toBeVisible()
  const dressed = app.getByRole('list', { name: 'Better dressed' }).getByRole('listitem')
  const one = await dressed.count()
  await app.getByRole('radio', { name: '2' }).check()
  await expect.poll(() => dressed.count()).toBeGreaterThan(one)
  await expect(app.getByText('new to you').first()).toBeVisible()

  // A box with something for a whole band.
  await app.goto('/releases/Q-112')
  const crowd = app.getByRole('region', { name: 'Many at once' })
  await expect(crowd).toContainText('for 9 outfits of Brass band')
  await crowd.getByRole('link', { name: 'Look at all of them with it' }).click()
  await expect(app.getByRole('heading', { name: /Regatta medal .* for everybody/ })).toBeVisible()
  await app.getByRole('button', { name: 'Let all wear it' }).click()
  await expect(app.getByText(/wear it so already/)).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()

  await app.goto(addressOf('Brass band'))
  await app.getByRole('link', { name: 'Uniforms and heads' }).click()
  await app.getByRole('link', { name: 'Try one part on everybody' }).click()
  await app.getByRole('button', { name: 'Choose a part' }).click()
  await app.getByRole('searchbox', { name: 'Find parts by words' }).fill('deck cap chalk')
  await app
    .getByRole('dialog')
    .getByRole('button', { name: /Deck cap/ })
    .first()
    .click()
  await expect(app.getByRole('heading', { name: /Deck cap .* for everybody/ })).toBeVisible()
  const everybody = app.getByRole('list', { name: 'Everybody with it' }).getByRole('listitem')
  await expect(everybody).toHaveCount(9)
  // Who would lose by it is left as they are.
  await expect(app.getByRole('checkbox', { name: 'Noor Valk wears it' })).not.toBeChecked()
  await app.getByRole('button', { name: /^Let \d wear it$/ }).click()
  await expect(app.getByText(/wear it so already/)).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(everybody).toHaveCount(9)
})

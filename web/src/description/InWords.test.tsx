/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals'
import { cleanup, render, screen, within } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { emptyBrief, type Brief } from '@outfit/core/brief'
import { catalogueOf } from '@outfit/core/catalogue'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import { InWords } from './InWords.tsx'

const catalogue = catalogueOf({ colours: [...STARTER_COLOURS], moulds: [...STARTER_MOULDS], prints: [], parts: [] })
afterEach(cleanup)

function shown(brief: Partial<Brief> = {}) {
  const onChange = jest.fn<(brief: Brief) => void>()
  const before = { ...emptyBrief(), ...brief }
  render(<InWords notes={before.notes} onTake={(merge) => onChange(merge(before))} catalogue={catalogue} />)
  return { onChange, user: userEvent.setup(), words: screen.getByRole('textbox', { name: 'In words' }) }
}

describe('a brief in words', () => {
  test('shows each stretch as it is understood, and takes what is not dropped', async () => {
    const { onChange, user, words } = shown({ notes: 'From the quay.' })
    await user.type(words, 'grey beard, yellow oilskin (must), brass zips, lantern')
    const list = within(screen.getByRole('list', { name: 'As understood' }))
    expect(list.getByRole('button', { name: 'grey beard: Beard: full, Brows: Pewter' })).toBeTruthy()
    expect(list.getByRole('button', { name: /^yellow oilskin: .*coat, must, Torso: Marigold, must$/ })).toBeTruthy()
    expect(list.getByText('not understood')).toBeTruthy()
    await user.click(list.getByRole('button', { name: /^lantern/ }))
    await user.click(screen.getByRole('button', { name: 'Take 4 wishes' }))
    const [[brief]] = onChange.mock.calls as [[Brief]]
    expect(brief.wishes.map(({ trait, weight }) => `${trait} ${weight}`)).toEqual([
      'beard matters',
      'brows matters',
      'garment must',
      'colour must',
    ])
    expect(brief.notes).toBe('From the quay.\nbrass zips')
    expect((words as HTMLInputElement).value).toBe('')
  })

  test('takes with Enter, puts a wish in the place of one for the same, and takes nothing of nothing', async () => {
    const old = { place: 'torso', trait: 'garment', target: 'shirt', weight: 'must' } as const
    const { onChange, user, words } = shown({ wishes: [old, { ...old, trait: 'sleeve', target: 'long' }] })
    await user.type(words, 'blue coat, 70 years old{Enter}')
    const [[brief]] = onChange.mock.calls as [[Brief]]
    expect(brief.wishes.map(({ place, trait, target }) => `${place} ${trait} ${target}`)).toEqual([
      'torso garment coat',
      'torso sleeve long',
      'head age old',
      expect.stringMatching(/^torso colour #/),
    ])
    expect([brief.years, brief.stature]).toEqual([70, 'full'])
    await user.type(words, 'zzz qqq{Enter}')
    expect(onChange).toHaveBeenCalledTimes(1)
  })

  test('a word weighs more or less by arrow keys, no further than must and would be nice', async () => {
    const { onChange, user, words } = shown()
    await user.type(words, 'grey beard, lantern')
    const list = within(screen.getByRole('list', { name: 'As understood' }))
    list.getByRole('button', { name: /^grey beard/ }).focus()
    await user.keyboard('{ArrowUp}{ArrowUp}')
    list.getByRole('button', { name: /^lantern/ }).focus()
    await user.keyboard('{ArrowDown}')
    expect(list.getByRole('button', { name: /^grey beard: Beard: full, must, Brows: Pewter, must$/ })).toBeTruthy()
    await user.click(words)
    await user.keyboard('{Enter}')
    const [[brief]] = onChange.mock.calls as [[Brief]]
    expect(brief.wishes.map(({ trait, weight }) => `${trait} ${weight}`)).toEqual([
      'beard must',
      'brows must',
      'item nice',
    ])
  })

  test('reads the notes there are', async () => {
    const { onChange, user } = shown({ notes: 'red cap' })
    await user.click(screen.getByRole('button', { name: 'Read the notes' }))
    await user.click(screen.getByRole('button', { name: 'Take 2 wishes' }))
    expect(onChange.mock.calls[0]![0].notes).toBe('red cap')
  })
})

/** @jest-environment jsdom */
import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { Toaster } from 'sonner'
import '../test/standIns.ts'
import { takeBack, tell, underWay } from './tell.ts'

afterEach(cleanup)

const buttons = () => screen.queryAllByRole('button', { name: 'Undo' })
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
/** Messages go away by timers and frames of their own. */
beforeAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }))
afterAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true }))

test('what is done right after something was taken back keeps its way back', async () => {
  render(<Toaster />)
  const taken: string[] = []
  const back = (words: string) => async () => void taken.push(words)
  tell('House rules changed.', back('rules'))
  await wait(50)
  expect(buttons()).toHaveLength(1)
  await takeBack()
  // The one before is just going away.
  await wait(80)
  tell('6 outfits taken off.', back('outfits'))
  // Longer than a message takes to go away.
  await wait(700)
  expect(screen.getByText('6 outfits taken off.')).toBeTruthy()
  expect(buttons()).toHaveLength(1)
  await takeBack()
  expect(taken).toEqual(['rules', 'outfits'])
})

test('of two things done the newest has the way back, and it is gone once', async () => {
  render(<Toaster />)
  const taken: string[] = []
  tell('One.', async () => void taken.push('one'))
  tell('Two.', async () => void taken.push('two'))
  await wait(700)
  expect(buttons()).toHaveLength(1)
  expect(await takeBack()).toBe(true)
  expect(await takeBack()).toBe(false)
  expect(taken).toEqual(['two'])
})

test('who goes back before the server has what is seen already gets that back, not what was before it', async () => {
  render(<Toaster />)
  const taken: string[] = []
  tell('Moved by hand.', async () => void taken.push('by hand'))
  let arrive: (answer: object) => void = () => undefined
  const move = async () => {
    await underWay(new Promise<object>((resolve) => (arrive = resolve)))
    tell('Moved by keys.', async () => void taken.push('by keys'))
  }
  void move()
  const back = takeBack()
  await wait(20)
  expect(taken).toEqual([])
  arrive({})
  expect(await back).toBe(true)
  expect(taken).toEqual(['by keys'])
})

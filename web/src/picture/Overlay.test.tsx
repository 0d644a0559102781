/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { usualOutline, WHOLE_PICTURE, type PictureOutline } from '@outfit/core/picture'
import '../test/standIns.ts'
import { Overlay } from './Overlay.tsx'
import { OutlineTools } from './OutlineTools.tsx'
import type { OutlineWork } from './useOutline.ts'

afterEach(cleanup)

const outline: PictureOutline = { box: WHOLE_PICTURE, points: usualOutline(WHOLE_PICTURE, 0.5), height: null }
const workWith = (more: Partial<OutlineWork>): OutlineWork => ({
  reference: 'R',
  outline,
  past: [],
  guessed: [],
  note: '',
  now: { step: 'laid' },
  find: jest.fn(async () => {}),
  pick: jest.fn(async () => {}),
  within: jest.fn(async () => {}),
  begin: jest.fn(),
  move: jest.fn(),
  keep: jest.fn(),
  takeOff: jest.fn(),
  undo: jest.fn(),
  ...more,
})

test('a point is moved by arrow keys, further with Shift, and is guessed no more', async () => {
  const user = userEvent.setup()
  const keep = jest.fn<OutlineWork['keep']>()
  render(<Overlay work={workWith({ keep, guessed: ['chin', 'hip'] })} aspect={0.5} view={WHOLE_PICTURE} />)
  expect(screen.getAllByRole('button')).toHaveLength(8)
  screen.getByRole('button', { name: 'Chin, guessed: arrows move it' }).focus()
  await user.keyboard('{ArrowDown}')
  await user.keyboard('{Shift>}{ArrowRight}{/Shift}')
  const [down, right] = keep.mock.calls.map(([moved, more]) => ({ chin: moved!.points.chin, guessed: more!.guessed }))
  const { chin } = outline.points
  expect(down).toEqual({ chin: { x: chin.x, y: chin.y + 0.003 }, guessed: ['hip'] })
  // A picture half as wide as high: as many pixels are twice the share of its width.
  expect(right!.chin.x).toBeCloseTo(chin.x + 0.06, 6)
})

test('no point leaves the picture', async () => {
  const user = userEvent.setup()
  const keep = jest.fn<OutlineWork['keep']>()
  const low = { ...outline, points: { ...outline.points, soles: { x: 0.5, y: 0.999 } } }
  render(<Overlay work={workWith({ keep, outline: low })} aspect={0.5} view={WHOLE_PICTURE} />)
  screen.getByRole('button', { name: /^Soles/ }).focus()
  await user.keyboard('{ArrowDown}')
  expect(keep.mock.calls[0]![0]!.points.soles.y).toBe(1)
})

test('of several figures one is picked; the tools say what to do next', async () => {
  const user = userEvent.setup()
  const pick = jest.fn<OutlineWork['pick']>(async () => {})
  const figures = [0, 0.5].map((x) => {
    const box = { x, y: 0, width: 0.4, height: 1 }
    return { box, own: box, height: 1 - x }
  })
  const work = workWith({ pick, now: { step: 'picking', figures } })
  render(
    <>
      <Overlay work={work} aspect={2} view={WHOLE_PICTURE} />
      <OutlineTools work={work} />
    </>,
  )
  expect(screen.getByRole('status').textContent).toBe('2 figures: press the one this outfit is of.')
  await user.click(screen.getByRole('button', { name: 'Figure 2 of 2, from the left' }))
  expect(pick).toHaveBeenCalledWith(figures[1])
})

test('boxes are drawn, as many as there are figures, and gone on with; a slip of the hand is none', () => {
  const begin = jest.fn<OutlineWork['begin']>()
  const within = jest.fn<OutlineWork['within']>(async () => {})
  const one = { x: 0, y: 0, width: 0.4, height: 1 }
  const work = workWith({ begin, within, now: { step: 'boxing', boxes: [one] } })
  const { container } = render(
    <>
      <Overlay work={work} aspect={2} view={WHOLE_PICTURE} />
      <OutlineTools work={work} />
    </>,
  )
  const field = container.querySelector('.cursor-crosshair')!
  Object.assign(field, {
    setPointerCapture: () => {},
    getBoundingClientRect: () => ({ left: 0, top: 0, width: 200, height: 100 }),
  })
  const drag = (from: [number, number], to: [number, number]) => {
    const at = ([clientX, clientY]: [number, number]) => ({ clientX, clientY, bubbles: true })
    fireEvent(field, new MouseEvent('pointerdown', at(from)))
    fireEvent(field, new MouseEvent('pointerup', at(to)))
  }
  drag([190, 10], [110, 90])
  expect(begin).toHaveBeenCalledTimes(1)
  const drawn = (begin.mock.calls[0]![0] as { boxes: (typeof one)[] }).boxes
  expect(drawn[0]).toEqual(one)
  for (const [key, value] of Object.entries({ x: 0.55, y: 0.1, width: 0.4, height: 0.8 }))
    expect(drawn[1]![key as keyof typeof one]).toBeCloseTo(value, 6)
  drag([10, 10], [14, 12])
  expect(begin).toHaveBeenCalledTimes(1)
  fireEvent.click(screen.getByRole('button', { name: 'Go on with 1 box' }))
  expect(within).toHaveBeenCalledWith([one])
})

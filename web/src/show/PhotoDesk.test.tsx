/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { useState } from 'react'
import { catalogueOf } from '@outfit/core/catalogue'
import type { Take } from '@outfit/core/roster'
import { firstPhoto, turnedFrame, turnedPoint, type CardPhoto } from '@outfit/core/show'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import '../test/standIns.ts'
import { PhotoDesk } from './PhotoDesk.tsx'

afterEach(cleanup)

const catalogue = catalogueOf({
  colours: [...STARTER_COLOURS],
  moulds: [...STARTER_MOULDS],
  prints: [],
  parts: [
    {
      code: 'T',
      name: 'Plain shirt',
      mould: STARTER_MOULDS.find(({ kind }) => kind === 'torso')!.code,
      colours: [STARTER_COLOURS[0]!.code],
      print: null,
      components: [],
      year: null,
    },
  ],
} as never)
const take = {
  id: 'A',
  label: 'A',
  placements: [{ slot: 'torso', part: 'T', order: 0, turned: false }],
} as unknown as Take
const begun = { ...firstPhoto({ hash: 'a'.repeat(64), width: 600, height: 800 }, null), turn: 5 }

/** The desk with what it shows kept, as the card keeps it. */
function Desk({ onChange }: { onChange: (photo: CardPhoto) => void }) {
  const [photo, setPhoto] = useState<CardPhoto>(begun)
  const keep = (next: CardPhoto) => {
    setPhoto(next)
    onChange(next)
  }
  return <PhotoDesk photo={photo} take={take} catalogue={catalogue} view="front" onChange={keep} />
}

test('a point that is the doll’s is moved by arrow keys as the photo stands, turned or not, and is of the hand then', async () => {
  const user = userEvent.setup()
  const told = { photo: begun }
  render(<Desk onChange={(photo) => Object.assign(told, { photo })} />)
  const point = screen.getByRole('button', { name: 'Plain shirt, as on the doll: arrows move it' })
  point.focus()
  await user.keyboard('{ArrowRight}')
  const [{ slot, x, y }] = told.photo.points as [CardPhoto['points'][0]]
  expect(slot).toBe('torso')
  const before = turnedPoint(told.photo, { x, y })
  screen.getByRole('button', { name: 'Plain shirt: arrows move it' }).focus()
  await user.keyboard('{Shift>}{ArrowDown}{/Shift}')
  const after = turnedPoint(told.photo, told.photo.points[0]!)
  // Straight down, ten steps, though the photo is turned by five degrees.
  expect(after.x - before.x).toBeCloseTo(0, 9)
  expect(after.y - before.y).toBeCloseTo(0.03, 9)
  expect(told.photo.points).toHaveLength(1)
})

test('a corner of the cut is moved by arrow keys, the opposite one stays, and the cut stays in the photo', async () => {
  const user = userEvent.setup()
  const told = { photo: begun }
  render(<Desk onChange={(photo) => Object.assign(told, { photo })} />)
  const { crop } = begun
  screen.getByRole('button', { name: /^Top left corner/ }).focus()
  await user.keyboard('{Shift>}{ArrowRight}{ArrowDown}{/Shift}')
  const cut = told.photo.crop
  expect([cut.x - crop.x, cut.y - crop.y].map((by) => by.toFixed(6))).toEqual(['0.030000', '0.030000'])
  expect(cut.x + cut.width).toBeCloseTo(crop.x + crop.width, 9)
  expect(cut.y + cut.height).toBeCloseTo(crop.y + crop.height, 9)
  screen.getByRole('button', { name: /^Bottom right corner/ }).focus()
  await user.keyboard('{Shift>}{ArrowRight}{ArrowRight}{ArrowRight}{ArrowRight}{/Shift}')
  const frame = turnedFrame(told.photo)
  expect(told.photo.crop.x + told.photo.crop.width).toBeCloseTo(frame.x + frame.width, 9)
})

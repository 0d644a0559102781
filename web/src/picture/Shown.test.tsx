/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen, within } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { useEffect, useState } from 'react'
import { emptyBrief, type Brief } from '@outfit/core/brief'
import { catalogueOf } from '@outfit/core/catalogue'
import { usualOutline, WHOLE_PICTURE, type PictureReading } from '@outfit/core/picture'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import '../test/standIns.ts'
import { Shown } from './Shown.tsx'

afterEach(cleanup)

// An empty workspace has no colours of its own; those of the starter shelf have names all the same.
const catalogue = catalogueOf({ colours: [], moulds: STARTER_MOULDS, parts: [], prints: [] })
const named = (name: string) => STARTER_COLOURS.find((colour) => colour.name === name)!.hex
const zone = (name: string) => [{ hex: named(name).toLowerCase(), share: 1, lab: [0, 0, 0] as const }]
const reading: PictureReading = {
  outline: usualOutline(WHOLE_PICTURE, 0.6),
  guessed: [],
  zones: { torso: zone('Quay Blue'), legRight: zone('Slate'), legLeft: zone('Oat') },
  sleeves: 'short',
  gloved: null,
  boots: null,
  twoTone: true,
  heads: 7,
}

let brief: Brief
const tell = (own: Brief) => void (brief = own)
interface DeskProps {
  start: Brief
  height?: number | null
  picking?: boolean
}

function Desk({ start, height = null, picking = false }: DeskProps) {
  const [own, setOwn] = useState(start)
  useEffect(() => tell(own), [own])
  return (
    <Shown
      reading={reading}
      height={height}
      note=""
      isPicking={picking}
      brief={own}
      catalogue={catalogue}
      onChange={setOwn}
      onDone={() => {}}
    />
  )
}

test('it has the focus once there is something to take, so that keys go on from there', () => {
  const { rerender } = render(<Desk start={emptyBrief()} picking />)
  const panel = screen.getByRole('region', { name: 'What the picture shows' })
  expect(document.activeElement).not.toBe(panel)
  expect(screen.getByText(/Press the figure/)).toBeTruthy()
  rerender(<Desk start={emptyBrief()} />)
  expect(document.activeElement).toBe(panel)
})

test('what the picture shows is taken one by one or all at once; what is wished already is no more to be taken', async () => {
  const user = userEvent.setup()
  const blue = { place: 'torso', trait: 'colour', target: named('Quay Blue'), weight: 'must' } as const
  render(<Desk start={{ ...emptyBrief('short'), wishes: [blue] }} />)
  expect(screen.queryByRole('button', { name: 'Take Torso: colour' })).toBeNull()
  await user.click(screen.getByRole('button', { name: 'Take Torso: sleeves short' }))
  expect(brief.wishes.map(({ trait, target }) => `${trait} ${target}`)).toEqual([
    `colour ${named('Quay Blue')}`,
    'sleeve short',
  ])
  await user.click(screen.getByRole('button', { name: 'Take all 1' }))
  expect(brief.wishes.at(-1)).toEqual({ place: 'legs', trait: 'colour', target: named('Slate'), weight: 'matters' })
  expect(screen.queryByRole('button', { name: /^Take all/ })).toBeNull()
  await user.click(screen.getByRole('button', { name: 'Take Stature: full' }))
  expect(brief.stature).toBe('full')
})

test('another colour of the palette can be wished for instead, and what no wish can say goes to the notes', async () => {
  const user = userEvent.setup()
  render(<Desk start={emptyBrief()} height={0.6} />)
  const torso = screen.getAllByRole('listitem').find((one) => one.textContent!.startsWith('Torso: colour'))!
  const other = within(torso).getAllByRole('button', { name: /^Torso: colour .+, ΔE/ })[1]!
  await user.click(other)
  expect(brief.wishes[0]!.target).not.toBe(named('Quay Blue'))
  expect(screen.getByText('60 % of the tallest in the picture')).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'To the notes' }))
  expect(brief.notes).toBe('right leg in Slate, left leg in Oat')
  expect(screen.queryByRole('button', { name: 'To the notes' })).toBeNull()
})

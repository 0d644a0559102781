import { colour } from './palette.mjs'
import { part } from './parts.mjs'

/** A piece on the board: key, place, and how it lies there. */
const piece = (key, x, y, { turn = 0, mirrored = false, front = false } = {}) => ({
  part: part(key).code,
  x,
  y,
  turn,
  mirrored,
  front,
})

/** Things made of several parts. */
export const made = [
  {
    name: 'Forge staff',
    as: 'held',
    what: 'staff',
    credit: 'Roon, at the second try',
    note: 'The horns sit on the rod by themselves; the jewel is pushed in last.',
    height: 0,
    bands: [{ name: 'Tar string', colour: colour('Tar'), x: -4, y: -92, toX: 4, toY: -84 }],
    pieces: [
      piece('ROD/Oak', 0, 0),
      piece('HORN/Brass', 2, -106),
      piece('HORN/Brass', -2, -106, { mirrored: true }),
      piece('JEWEL/Clear Honey', 0, -122, { front: true }),
    ],
  },
  {
    name: 'Net cart',
    as: 'beside',
    what: 'cart',
    credit: '',
    note: 'Stands on its wheel and two rods.',
    height: 0,
    bands: [],
    pieces: [
      piece('SROD/Oak', -30, -26, { turn: 12 }),
      piece('PLANK/Oak', 24, -56, { turn: 346 }),
      piece('TROUG/Rope', 0, -48),
      piece('WHEEL/Oak', 6, -27, { front: true }),
      piece('POT/Rope', -8, -128),
    ],
  },
  {
    name: 'Punt',
    as: 'lower',
    what: 'boat',
    credit: 'Canal children',
    note: 'A body of our own: the torso sits on the plank.',
    height: 54,
    bands: [],
    pieces: [
      piece('TROUG/Quay Blue', -30, 34),
      piece('TROUG/Quay Blue', 30, 34, { mirrored: true }),
      piece('PLANK/Oak', 0, 5),
      piece('SROD/Oak', -62, 10, { turn: 340 }),
      piece('SROD/Oak', 62, 10, { turn: 20 }),
    ],
  },
]

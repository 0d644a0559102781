import { labOf, type Lab, type Pixels } from '../colour/index.ts'

/** A rectangle of a picture, in shares of its width and height. */
export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** A picture made small, in CIELAB. `lab` has three numbers a cell, row by row; see-through cells are NaN. */
export interface LabField {
  width: number
  height: number
  lab: Float32Array
}

/** Longest side of a field: coarse enough that grain is averaged away, fine enough for a hand or a shoe. */
const LONGEST = 340

export const WHOLE_PICTURE: Box = { x: 0, y: 0, width: 1, height: 1 }

/** The pixels of a box as a field, each cell the mean of what it covers. O(pixels). */
export function fieldOf({ data, width, height }: Pixels, box: Box = WHOLE_PICTURE): LabField {
  const left = Math.round(box.x * width)
  const top = Math.round(box.y * height)
  const across = Math.max(1, Math.min(width - left, Math.round(box.width * width)))
  const down = Math.max(1, Math.min(height - top, Math.round(box.height * height)))
  const scale = Math.max(1, Math.max(across, down) / LONGEST)
  const field: LabField = {
    width: Math.max(1, Math.floor(across / scale)),
    height: Math.max(1, Math.floor(down / scale)),
    lab: new Float32Array(0),
  }
  field.lab = new Float32Array(field.width * field.height * 3)
  const known = new Map<number, Lab>()
  for (let row = 0; row < field.height; row++)
    for (let column = 0; column < field.width; column++) {
      const sum = [0, 0, 0, 0]
      let seen = 0
      const bottom = Math.max(Math.floor(row * scale) + 1, Math.floor((row + 1) * scale))
      const right = Math.max(Math.floor(column * scale) + 1, Math.floor((column + 1) * scale))
      for (let y = Math.floor(row * scale); y < bottom; y++)
        for (let x = Math.floor(column * scale); x < right; x++) {
          const at = ((top + y) * width + left + x) * 4
          sum[3]!++
          if (data[at + 3]! < 128) continue
          seen++
          for (let c = 0; c < 3; c++) sum[c]! += data[at + c]!
        }
      const cell = (row * field.width + column) * 3
      if (seen * 2 < sum[3]!) {
        field.lab.fill(NaN, cell, cell + 3)
        continue
      }
      const [r, g, b] = [0, 1, 2].map((c) => Math.round(sum[c]! / seen)) as [number, number, number]
      const key = (r << 16) | (g << 8) | b
      let lab = known.get(key)
      if (!lab) known.set(key, (lab = labOf(r, g, b)))
      field.lab.set(lab, cell)
    }
  return field
}

/** The colour of a cell. */
export const cellOf = ({ lab }: LabField, cell: number): Lab => [lab[cell * 3]!, lab[cell * 3 + 1]!, lab[cell * 3 + 2]!]

/** The cells around a cell that share a side with it. */
export function neighboursOf(cell: number, width: number, height: number): number[] {
  const column = cell % width
  const found: number[] = []
  if (column > 0) found.push(cell - 1)
  if (column < width - 1) found.push(cell + 1)
  if (cell >= width) found.push(cell - width)
  if (cell < width * (height - 1)) found.push(cell + width)
  return found
}

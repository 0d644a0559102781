import { memoized } from '../base/index.ts'

/**
 * Paths are SVG path data with absolute M, L, C, Q and Z only, so that a transform is a map over coordinate pairs and
 * the control points bound the curve.
 */

/** Affine matrix [a, b, c, d, e, f] as in SVG: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [number, number, number, number, number, number]

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0]

/** `outer` after `inner`. */
export function multiply(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer
  const [g, h, i, j, k, l] = inner
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f]
}

export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y]
export const scaling = (x: number, y = x): Matrix => [x, 0, 0, y, 0, 0]

/** Rotation by degrees, clockwise on screen (y points down). */
export function rotation(degrees: number): Matrix {
  const angle = (degrees * Math.PI) / 180
  return [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0]
}

const TOKEN = /[MLCQZ]|-?\d*\.?\d+(?:e-?\d+)?/g
const tidy = (value: number) => String(Math.round(value * 10) / 10 + 0)

/** Path data under a matrix, rounded to a tenth of a unit. */
export const transformPath = memoized(transformed, (d, m) => `${m.join()} ${d}`)

function transformed(d: string, m: Matrix): string {
  let x: number | null = null
  let out = ''
  for (const token of d.match(TOKEN) ?? []) {
    if (token >= 'A') {
      out += token
    } else if (x === null) {
      x = Number(token)
    } else {
      const y = Number(token)
      out += `${tidy(m[0] * x + m[2] * y + m[4])} ${tidy(m[1] * x + m[3] * y + m[5])} `
      x = null
    }
  }
  return out.trimEnd()
}

export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

/** Box around all control points; it contains the curve. An empty path has an inverted, infinite box. */
export const boundsOf = memoized(bounded, (d) => d)

function bounded(d: string): Box {
  const box: Box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity }
  let x: number | null = null
  for (const token of d.match(TOKEN) ?? []) {
    if (token >= 'A') continue
    if (x === null) {
      x = Number(token)
      continue
    }
    const y = Number(token)
    box.left = Math.min(box.left, x)
    box.right = Math.max(box.right, x)
    box.top = Math.min(box.top, y)
    box.bottom = Math.max(box.bottom, y)
    x = null
  }
  return box
}

/** Control-point distance that makes a cubic quarter circle (error under 0.03 %). */
const KAPPA = 0.5523

export function ellipse(cx: number, cy: number, rx: number, ry = rx): string {
  const kx = rx * KAPPA
  const ky = ry * KAPPA
  return (
    `M${cx - rx} ${cy}C${cx - rx} ${cy - ky} ${cx - kx} ${cy - ry} ${cx} ${cy - ry}` +
    `C${cx + kx} ${cy - ry} ${cx + rx} ${cy - ky} ${cx + rx} ${cy}` +
    `C${cx + rx} ${cy + ky} ${cx + kx} ${cy + ry} ${cx} ${cy + ry}` +
    `C${cx - kx} ${cy + ry} ${cx - rx} ${cy + ky} ${cx - rx} ${cy}Z`
  )
}

/** Rectangle by its top left corner, with one radius for all corners. */
export function rect(x: number, y: number, width: number, height: number, radius = 0): string {
  const r = Math.min(radius, width / 2, height / 2)
  const [right, bottom] = [x + width, y + height]
  if (r === 0) return `M${x} ${y}L${right} ${y}L${right} ${bottom}L${x} ${bottom}Z`
  const k = r * (1 - KAPPA)
  return (
    `M${x + r} ${y}L${right - r} ${y}C${right - k} ${y} ${right} ${y + k} ${right} ${y + r}` +
    `L${right} ${bottom - r}C${right} ${bottom - k} ${right - k} ${bottom} ${right - r} ${bottom}` +
    `L${x + r} ${bottom}C${x + k} ${bottom} ${x} ${bottom - k} ${x} ${bottom - r}` +
    `L${x} ${y + r}C${x} ${y + k} ${x + k} ${y} ${x + r} ${y}Z`
  )
}

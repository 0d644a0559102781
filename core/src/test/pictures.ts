import { Resvg } from '@resvg/resvg-js'
import { seeded } from '../base/index.ts'
import type { Pixels } from '../colour/index.ts'

/** Pixels of an SVG drawn so wide. */
export function drawn(svg: string, width: number): Pixels {
  const { pixels, width: across, height } = new Resvg(svg, { fitTo: { mode: 'width', value: width } }).render()
  return { data: new Uint8ClampedArray(pixels), width: across, height }
}

/** What a picture made for a test is of. */
export interface Portrait {
  svg: string
  hair: string
  skin: string
  top: string
  legs: string
  boots: string
  gloves: string | null
  sleeves: 'short' | 'rolled' | 'long'
  boot: 'shoe' | 'ankle' | 'tall'
  /** Crown, chin, hip and soles, as shares of the picture's height. */
  levels: { crown: number; chin: number; hip: number; soles: number }
}

const SKINS = ['#f3cfae', '#e0ac82', '#b77b4f', '#8a5a3b', '#5a3826']
const HAIRS = ['#1f1a1c', '#4b2c1a', '#8c4a20', '#c9a04e', '#9a9a9c', '#c2361f']
const CLOTHS = [
  '#234f86',
  '#7d1f2e',
  '#2f6b45',
  '#e0a12b',
  '#3c3f47',
  '#7a4f8f',
  '#c65f2c',
  '#2b8a95',
  '#d9c9a3',
  '#5b6b2a',
]
const LEATHERS = ['#2a1d15', '#5f3a20', '#16161a', '#8a5a2c']
const GROUNDS = ['#dfe8ee', '#efe9dc', '#bcd0c4', '#ffffff', '#8fa3b8', '#c9b8d8']

/**
 * A person drawn with soft round limbs lit from one side, of any build: unlike the drawings of the sample world and unlike our
 * doll, so that what reads pictures is not measured on what it was made with. The same for the same seed.
 */
export function portrait(seed: number): Portrait {
  const random = seeded(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const between = (low: number, high: number) => low + random() * (high - low)
  const ground = pick(GROUNDS)
  const far = (hex: string, ...others: string[]) => others.every((other) => distance(hex, other) > 70)
  const choose = (list: readonly string[], ...from: string[]) => pick(list.filter((one) => far(one, ...from)))
  const skin = choose(SKINS, ground)
  const hair = choose(HAIRS, ground, skin)
  const top = choose(CLOTHS, ground, skin)
  const legs = choose(CLOTHS, ground, top)
  const boots = choose(LEATHERS, ground, legs)
  const gloves = random() < 0.3 ? choose(CLOTHS, ground, top, skin, legs) : null
  const sleeves = gloves ? 'long' : pick(['short', 'rolled', 'long'] as const)
  const boot = pick(['shoe', 'ankle', 'tall'] as const)
  const heads = between(5, 7.6)
  const H = between(560, 640)
  const crown = 40
  const head = H / heads
  const soles = crown + H
  const chin = crown + head
  const shoulder = chin + head * between(0.28, 0.4)
  const hip = soles - H * between(0.44, 0.49)
  const x = between(190, 290)
  const half = H * between(0.115, 0.14)
  const limb = H * between(0.034, 0.042)
  const spread = between(0.0, 0.14)
  const wrist = hip + H * between(-0.02, 0.05)
  const armEnd = (side: number, share: number) => ({
    x: x + side * (half - limb + (wrist - shoulder) * spread * share),
    y: shoulder + limb + (wrist - shoulder - limb) * share,
  })
  const bone = (a: { x: number; y: number }, b: { x: number; y: number }, width: number, fill: string, cap = 'round') =>
    `<path d="M${a.x} ${a.y}L${b.x} ${b.y}" stroke="${fill}" stroke-width="${width}" stroke-linecap="${cap}" fill="none"/>`
  const bare = { short: 0.32, rolled: 0.58, long: 1 }[sleeves]
  const arm = (side: number) =>
    bone(armEnd(side, 0), armEnd(side, 1), limb * 1.8, sleeves === 'long' ? top : skin) +
    bone(armEnd(side, 0), armEnd(side, bare * 0.96), limb * 2, top, sleeves === 'long' ? 'round' : 'butt') +
    `<circle cx="${armEnd(side, 0).x}" cy="${armEnd(side, 0).y}" r="${limb}" fill="${top}"/>` +
    `<ellipse cx="${armEnd(side, 1.06).x}" cy="${armEnd(side, 1.06).y}" rx="${limb * 1.02}" ry="${limb * 1.45}" fill="${gloves ?? skin}"/>`
  const bootHeight = H * { shoe: 0.045, ankle: 0.12, tall: 0.24 }[boot]
  const leg = (side: number) => {
    const [hipX, footX] = [x + side * half * 0.45, x + side * half * between(0.5, 0.62)]
    const at = (y: number) => ({ x: hipX + ((footX - hipX) * (y - hip)) / (soles - hip), y })
    return (
      bone(at(hip - limb), at(soles - 8), limb * 2.3, legs, 'butt') +
      bone(at(soles - bootHeight), at(soles), limb * 2.5, boots, 'butt') +
      `<ellipse cx="${footX + side * limb * 0.5}" cy="${soles - limb * 0.5}" rx="${limb * 1.5}" ry="${limb * 0.5}" fill="${boots}"/>`
    )
  }
  const hw = head * between(0.36, 0.42)
  const long = random() < 0.3
  const tool = random() < 0.4 ? armEnd(1, 1.05) : null
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="480" height="720" viewBox="0 0 480 720"><defs>
<linearGradient id="g" x1="0" y1="0" x2="${random() < 0.5 ? 0 : 1}" y2="1"><stop offset="0" stop-color="#fff" stop-opacity="${between(0, 0.25)}"/><stop offset="1" stop-color="#000" stop-opacity="${between(0, 0.12)}"/></linearGradient>
<linearGradient id="l" x1="0" y1="0" x2="1" y2="0"><stop offset="0.35" stop-color="#000" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity="${between(0.1, 0.38)}"/></linearGradient>
<filter id="b"><feGaussianBlur stdDeviation="${between(0.4, 1.6)}"/></filter></defs>
<rect width="480" height="720" fill="${ground}"/><rect width="480" height="720" fill="url(#g)"/>
<g filter="url(#b)">
${long ? `<path d="M${x - hw * 1.15} ${crown + head * 0.4}C${x - hw * 1.3} ${chin + head * 0.3} ${x + hw * 1.3} ${chin + head * 0.3} ${x + hw * 1.15} ${crown + head * 0.4}Z" fill="${hair}"/>` : ''}
${bone({ x, y: chin - head * 0.15 }, { x, y: shoulder + 6 }, head * 0.3, skin, 'butt')}
${leg(-1)}${leg(1)}
<path d="M${x - half * 0.8} ${hip + limb}L${x - half * 0.72} ${shoulder + (hip - shoulder) * 0.7}H${x + half * 0.72}L${x + half * 0.8} ${hip + limb}Z" fill="${legs}"/>
<path d="M${x - half * 0.9} ${shoulder + limb * 0.4}Q${x} ${shoulder - limb} ${x + half * 0.9} ${shoulder + limb * 0.4}L${x + half * 0.74} ${shoulder + (hip - shoulder) * 0.82}H${x - half * 0.74}Z" fill="${top}"/>
${arm(-1)}${arm(1)}
<ellipse cx="${x}" cy="${crown + head * 0.55}" rx="${hw}" ry="${head * 0.47}" fill="${skin}"/>
<path d="M${x - hw * 1.06} ${crown + head * 0.5}C${x - hw * 1.15} ${crown - head * 0.14} ${x + hw * 1.15} ${crown - head * 0.14} ${x + hw * 1.06} ${crown + head * 0.5}C${x + hw * 0.7} ${crown + head * 0.3} ${x - hw * 0.7} ${crown + head * 0.3} ${x - hw * 1.06} ${crown + head * 0.5}Z" fill="${hair}"/>
<circle cx="${x - hw * 0.4}" cy="${crown + head * 0.55}" r="${head * 0.04}" fill="#222"/><circle cx="${x + hw * 0.4}" cy="${crown + head * 0.55}" r="${head * 0.04}" fill="#222"/>
<path d="M${x - hw * 0.3} ${crown + head * 0.78}Q${x} ${crown + head * 0.86} ${x + hw * 0.3} ${crown + head * 0.78}" stroke="#7a3b32" stroke-width="${head * 0.03}" fill="none"/>
${tool ? `<path d="M${tool.x + limb} ${tool.y - H * 0.5}L${tool.x + limb} ${soles - 10}" stroke="#8a6136" stroke-width="8"/>` : ''}
<path d="M${x - half * 1.4} ${shoulder - limb}h${half * 2.8}v${soles - shoulder}h-${half * 2.8}Z" fill="url(#l)" opacity="0"/>
</g>
<g opacity="1">${[-1, 1].map((side) => bone(armEnd(side, 0), armEnd(side, 1), limb * 0.7, '#00000022')).join('')}</g>
</svg>`
  const share = (y: number) => y / 720
  return {
    svg,
    hair,
    skin,
    top,
    legs,
    boots,
    gloves,
    sleeves,
    boot,
    levels: { crown: share(crown), chin: share(chin), hip: share(hip), soles: share(soles) },
  }
}

const distance = (a: string, b: string) =>
  [1, 3, 5].reduce(
    (sum, at) => sum + Math.abs(parseInt(a.slice(at, at + 2), 16) - parseInt(b.slice(at, at + 2), 16)),
    0,
  )

/** A picture as a camera gives it: grain, and light that falls off to one side. */
export function photographed({ data, width, height }: Pixels, seed: number, grain = 10, falloff = 0.16): Pixels {
  const random = seeded(seed)
  const out = new Uint8ClampedArray(data)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const light = 1 - falloff * (x / width)
      const at = (y * width + x) * 4
      for (let c = 0; c < 3; c++) out[at + c] = data[at + c]! * light + (random() - 0.5) * 2 * grain
    }
  return { data: out, width, height }
}

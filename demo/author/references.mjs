// Reference pictures of the sample characters: gouache-like drawings of people as they would stand on the quay, in colours
// a little off the palette, as pictures are. Each is an SVG of 480 × 720.
import { colours } from './palette.mjs'

const hexOf = (name) => {
  const found = colours.find((colour) => colour.name === name)
  if (!found) throw new Error(`There is no colour ${name}.`)
  return found.hex
}

/** A colour as light makes it in a picture: each channel moved by a fixed little. */
function off(hex, by) {
  const channel = (at, shift) => {
    const value = parseInt(hex.slice(at, at + 2), 16) + shift
    return Math.max(0, Math.min(255, value)).toString(16).padStart(2, '0')
  }
  return `#${channel(1, by[0])}${channel(3, by[1])}${channel(5, by[2])}`
}

const path = (d, fill, more = '') => `<path d="${d}" fill="${fill}" ${more}/>`
const line = (d, colour, width = 4) =>
  `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round"/>`

/** Hair behind and before the head, for a head of 46 × 56 around 240, 150. */
const HAIR = {
  crop: [[], ['M194 146C192 104 214 86 240 86S288 104 286 146L280 128C270 116 212 116 200 128Z']],
  side: [
    [],
    ['M192 152C188 100 214 82 244 84S292 108 288 150L282 130C262 128 236 118 226 110 222 122 208 128 198 132Z'],
  ],
  quiff: [
    [],
    ['M196 142C190 112 204 92 226 84 236 70 268 72 278 92 290 104 288 126 286 142L278 122C256 124 222 124 202 124Z'],
  ],
  mop: [
    [],
    ['M190 158C184 106 208 80 240 82S298 106 290 158L280 134 270 144 256 128 244 142 230 128 218 142 208 130Z'],
  ],
  curls: [
    [],
    [
      'M196 138a18 18 0 0 1 2-34a20 20 0 0 1 26-20a22 22 0 0 1 38 2a20 20 0 0 1 20 22a18 18 0 0 1 2 32C272 120 212 118 196 138Z',
    ],
  ],
  bun: [
    ['M218 76a22 20 0 1 1 44 0a22 20 0 1 1-44 0Z'],
    ['M194 146C192 104 214 84 240 84S288 104 286 146C272 112 212 108 194 146Z'],
  ],
  puffs: [
    ['M170 104a26 26 0 1 1 52 0a26 26 0 1 1-52 0Z', 'M258 104a26 26 0 1 1 52 0a26 26 0 1 1-52 0Z'],
    ['M194 146C192 106 214 92 240 92S288 106 286 146C268 118 212 118 194 146Z'],
  ],
  tail: [
    ['M276 108C318 112 326 168 308 236 300 226 296 206 296 190 292 160 284 140 270 128Z'],
    ['M194 148C190 102 214 84 242 84S292 104 286 146C270 126 226 112 208 120 202 126 196 138 194 148Z'],
  ],
  braid: [
    ['M276 140C300 150 300 176 290 190 304 204 298 224 288 232 296 246 288 262 280 268 274 240 276 180 270 150Z'],
    ['M194 150C190 102 214 84 242 84S292 104 286 148C270 124 236 114 224 108 216 122 202 130 194 150Z'],
  ],
  plaits: [
    [
      'M190 138C174 150 178 176 186 188 172 202 178 226 188 238 196 214 196 170 202 146Z',
      'M290 138C306 150 302 176 294 188 308 202 302 226 292 238 284 214 284 170 278 146Z',
    ],
    ['M194 148C192 104 214 84 240 84S288 104 286 148C276 118 256 110 240 104 224 110 204 118 194 148Z'],
  ],
  bob: [
    ['M184 120C182 200 196 214 210 214L270 214C284 214 298 200 296 120Z'],
    ['M192 150C188 104 212 82 240 82S292 104 288 150L278 130C256 132 224 132 202 130Z'],
  ],
  long: [
    ['M186 120C176 220 178 272 188 288L292 288C302 272 304 220 294 120Z'],
    ['M192 154C188 102 214 82 240 82S292 102 288 154C280 122 258 112 240 106 222 112 200 122 192 154Z'],
  ],
}

const HATS = {
  oilskin: (c) =>
    path('M150 128C178 96 210 92 214 74 222 54 258 54 266 74 270 92 302 96 330 128 300 142 180 142 150 128Z', c) +
    line('M186 124C220 132 260 132 294 124', '#00000033', 3),
  cap: (c) => path('M190 122C188 88 214 76 240 76S292 88 290 122L312 130C300 136 280 132 240 130S196 128 190 122Z', c),
}

/** What is worn on the body between 216 (neck) and 430 (belt); sleeves hang to 400. */
const BODY = 'M196 222C216 212 264 212 284 222L300 260 296 436 184 436 180 260Z'
const GARMENT = {
  plain: () => '',
  jacket: ({ second }) =>
    path('M224 216L240 300 256 216Z', second) +
    line('M240 300L240 436', '#00000055', 3) +
    line('M222 216L238 300M258 216L242 300', '#00000055', 3),
  coat: ({ second }) =>
    path('M226 216L240 280 254 216Z', second) +
    line('M240 280L240 436', '#00000055', 3) +
    [310, 350, 390].map((y) => `<circle cx="252" cy="${y}" r="4" fill="#00000088"/>`).join(''),
  jersey: ({ second }) => path('M181 300L299 300 298 340 182 340Z', second) + path('M222 215L240 236 258 215Z', second),
  stripes: ({ second }) => [252, 290, 328, 366, 404].map((y) => path(`M182 ${y}H298V${y + 16}H182Z`, second)).join(''),
  waistcoat: ({ second }) =>
    path('M206 220L240 330 274 220 292 240 290 436 190 436 188 240Z', second) + line('M240 330V436', '#00000066', 3),
}

const PROPS = {
  oar: (c) =>
    line('M344 150L330 680', '#9a6b3f', 9) + path('M330 60C352 60 360 150 346 168C334 162 322 100 330 60Z', c),
  lantern: (c) =>
    line('M338 392V420', '#333', 5) +
    path('M320 420H356L362 476H314Z', c) +
    line('M314 476H362M320 420H356', '#333', 6),
  umbrella: (c) => line('M342 392V640q0 20 16 14', '#333', 6) + path('M336 410L360 420 350 610 340 640 332 610Z', c),
  rope: (c) =>
    [0, 10, 20]
      .map((d) => `<ellipse cx="336" cy="${430 + d}" rx="34" ry="26" fill="none" stroke="${c}" stroke-width="9"/>`)
      .join(''),
  flag: (c) =>
    line('M340 200V560', '#7b5232', 7) + path('M344 204C372 192 392 222 424 206L424 274C392 290 372 260 344 272Z', c),
  satchel: (c) =>
    line('M200 224L296 420', c, 10) + path('M272 408H342V468H272Z', c) + line('M272 428H342', '#00000044', 4),
}

const NECK = {
  vest: (c) =>
    path('M198 222L226 216 232 420 190 420Z', c) +
    path('M282 222L254 216 248 420 290 420Z', c) +
    line('M190 330H232M248 330H290', '#00000044', 6),
  scarf: (c) =>
    path('M206 206C226 226 254 226 274 206L280 232C256 246 224 246 200 232Z', c) + path('M222 238H248L244 350H224Z', c),
}

const FACES = {
  smile: 'M226 180C234 190 246 190 254 180',
  flat: 'M228 184H252',
  grin: 'M224 178C234 194 246 194 256 178Z',
  stern: 'M228 188C236 182 244 182 252 188',
}

/** Draw a person. `shift` is how the light of the picture moves its colours. */
function drawPerson(p) {
  const shift = p.shift ?? [4, -3, -5]
  const ink = (name) => off(hexOf(name), shift)
  const skin = ink(p.skin)
  const hair = p.hair ? ink(p.hair[1]) : skin
  const [behind, before] = p.hair ? HAIR[p.hair[0]] : [[], []]
  const top = ink(p.top[1])
  const second = ink(p.top[2] ?? 'Chalk')
  const legs = ink(p.legs)
  const boots = ink(p.boots ?? 'Peat')
  const sleeve = p.sleeves === 'short' ? skin : top
  const brows = ink(p.brows ?? p.hair?.[1] ?? 'Peat')
  const shade = 'fill-opacity="0.16"'
  const wash = p.wash ?? '#dbe6e4'
  const person = [
    ...behind.map((d) => path(d, hair)),
    path('M222 190H258V232H222Z', skin),
    path('M190 430H290L300 660H252L240 470 228 660H180Z', legs),
    path('M176 652H230V690H168C164 672 168 660 176 652ZM250 652H304C312 660 316 672 312 690H250Z', boots),
    path('M190 226C164 236 150 280 146 330L140 396 168 400 176 340 196 280Z', sleeve),
    path('M290 226C316 236 330 280 334 330L340 396 312 400 304 340 284 280Z', sleeve),
    p.sleeves === 'short'
      ? path('M190 226C168 234 156 262 152 296L184 300 196 268Z', top) +
        path('M290 226C312 234 324 262 328 296L296 300 284 268Z', top)
      : '',
    path(BODY, top),
    GARMENT[p.top[0]]({ second }),
    path('M140 392C134 414 142 428 154 428S172 414 168 398Z', skin),
    path('M340 392C346 414 338 428 326 428S308 414 312 398Z', skin),
    p.neck ? NECK[p.neck[0]](ink(p.neck[1])) : '',
    path('M196 142C196 106 216 94 240 94S284 106 284 142C284 184 264 204 240 204S196 184 196 142Z', skin),
    path('M262 98C276 106 284 120 284 142C284 184 264 204 244 204C262 190 270 150 262 98Z', '#3a1f10', shade),
    p.beard
      ? path('M198 158C200 196 216 222 240 222S280 196 282 158C272 176 262 178 240 178S208 176 198 158Z', ink(p.beard))
      : '',
    line('M214 140C220 136 226 136 230 139M250 139C254 136 260 136 266 140', brows, 6),
    '<circle cx="222" cy="154" r="5" fill="#2a2228"/><circle cx="258" cy="154" r="5" fill="#2a2228"/>',
    p.glasses
      ? '<g fill="none" stroke="#2a2228" stroke-width="4"><circle cx="222" cy="154" r="14"/><circle cx="258" cy="154" r="14"/><path d="M236 154H244"/></g>'
      : '',
    p.freckles
      ? '<g fill="#a8623a" fill-opacity="0.6"><circle cx="212" cy="168" r="2.6"/><circle cx="220" cy="172" r="2.6"/><circle cx="262" cy="172" r="2.6"/><circle cx="270" cy="168" r="2.6"/></g>'
      : '',
    p.face === 'grin'
      ? path(FACES.grin, '#fff', 'stroke="#5b2a22" stroke-width="4"')
      : line(FACES[p.face ?? 'smile'], '#5b2a22', 4),
    ...before.map((d) => path(d, hair)),
    p.hat ? HATS[p.hat[0]](ink(p.hat[1])) : '',
    p.satchel ? PROPS.satchel(ink(p.satchel)) : '',
    p.prop ? PROPS[p.prop[0]](ink(p.prop[1])) : '',
  ].join('\n')
  // Children are smaller in the same frame, feet on the same ground.
  const scale = p.child ? 0.8 : 1
  return `<svg xmlns="http://www.w3.org/2000/svg" width="480" height="720" viewBox="0 0 480 720">
<rect width="480" height="720" fill="${wash}"/>
<path d="M0 620C120 600 340 640 480 612V720H0Z" fill="${off(wash, [-26, -24, -22])}"/>
<path d="M0 470C90 452 140 476 240 462S420 450 480 470V620H0Z" fill="#ffffff" fill-opacity="0.25"/>
<ellipse cx="240" cy="692" rx="120" ry="14" fill="#000" fill-opacity="0.14"/>
<g transform="translate(${240 - 240 * scale} ${692 - 692 * scale}) scale(${scale})">
${person}
</g>
</svg>
`
}

const rower = (skin, hair, colour, more = {}) => ({
  skin,
  hair: [hair, colour],
  top: ['jersey', 'Quay Blue', 'Chalk'],
  sleeves: 'short',
  legs: 'Chalk',
  boots: 'Tar',
  prop: ['oar', 'Coral'],
  ...more,
})

/** Every picture by the name of its file. */
export const pictures = Object.fromEntries(
  Object.entries({
    'odile-skipper': {
      skin: 'Fawn',
      hair: ['tail', 'Copper'],
      top: ['jacket', 'Quay Blue', 'Oat'],
      legs: 'Slate',
      neck: ['vest', 'Amber'],
      prop: ['oar', 'Coral'],
      wash: '#dfe7ea',
    },
    'odile-twelve': {
      skin: 'Fawn',
      hair: ['braid', 'Copper'],
      freckles: true,
      top: ['stripes', 'Oat', 'Quay Blue'],
      legs: 'Quay Blue',
      neck: ['scarf', 'Coral'],
      prop: ['rope', 'Rope'],
      child: true,
      wash: '#efe6d4',
    },
    'teo-tickets': {
      skin: 'Umber',
      hair: ['curls', 'Tar'],
      glasses: true,
      top: ['waistcoat', 'Chalk', 'Wine'],
      legs: 'Tar',
      boots: 'Tar',
      satchel: 'Oak',
      prop: ['umbrella', 'Canal'],
      wash: '#d9dfd6',
    },
    'bram-engines': {
      skin: 'Shell',
      hat: ['oilskin', 'Bottle'],
      beard: 'Rain',
      brows: 'Rain',
      top: ['coat', 'Marigold', 'Slate'],
      legs: 'Marigold',
      neck: ['scarf', 'Bottle'],
      prop: ['lantern', 'Amber'],
      wash: '#cdd8dd',
    },
    'wen-sorrel': rower('Shell', 'side', 'Carrot', { freckles: true, brows: 'Copper' }),
    'ilka-dunn': rower('Fawn', 'bun', 'Copper', { brows: 'Chestnut' }),
    'bako-thorne': rower('Umber', 'crop', 'Tar', { face: 'grin' }),
    'mirre-vos': rower('Umber', 'puffs', 'Cocoa'),
    'sanna-lye': rower('Hazel', 'braid', 'Peat'),
    'joost-ember': rower('Shell', 'mop', 'Straw', { brows: 'Oak', face: 'flat' }),
    'nadi-quill': rower('Hazel', 'tail', 'Tar'),
    'hale-brook': rower('Cocoa', 'quiff', 'Tar', { face: 'stern' }),
    'pim-cox': rower('Shell', 'plaits', 'Straw', {
      freckles: true,
      face: 'grin',
      child: true,
      prop: ['flag', 'Coral'],
    }),
  }).map(([name, person]) => [`${name}.svg`, drawPerson(person)]),
)

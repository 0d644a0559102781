// Writes demo/world/photos: a built figure as somebody takes its picture in the evening. The doll is drawn, lit from one side,
// stood before a sheet of paper with its shadow, turned a little, blurred and given grain. Run by hand, since encoders of
// different versions write different bytes:
//   node --import ./scripts/testing/register.mjs --conditions=outfit-source demo/author/photo.mjs
import { mkdirSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import { seeded } from '../../core/src/base/index.ts'
import { drawFigure, svgBody } from '../../core/src/mannequin/index.ts'
import { takeOf, worldCatalogue } from '../../core/src/test/world.ts'

const sharp = createRequire(new URL('../../server/package.json', import.meta.url))('sharp')
/** The scene, of which the middle is taken, and where the soles stand in it; pixels. */
const [WIDTH, HEIGHT] = [1100, 1400]
const TAKEN = { left: 130, top: 110, width: 840, height: 1120 }
const FEET = { x: 530, y: 1100 }
/** Pixels to a figure unit. */
const SCALE = 2.5
const SHADOW = { x: 44, y: 12, blur: 15, dark: 0.4 }

const svg = (body) =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">${body}</svg>`)

/** Light as a share at a point: from the left, falling off to the right and down. */
const lightAt = (x, y) => 1.05 - 0.42 * (x / WIDTH) ** 1.3 - 0.1 * (y / HEIGHT)

async function photo(outfit, take) {
  const { shapes } = drawFigure(takeOf(outfit, take), worldCatalogue())
  const drawn = svg(`<g transform="translate(${FEET.x} ${FEET.y}) scale(${SCALE})">${svgBody(shapes)}</g>`)
  const figure = await sharp(drawn).ensureAlpha().raw().toBuffer()
  const shade = await sharp(drawn).ensureAlpha().extractChannel('alpha').blur(SHADOW.blur).raw().toBuffer()
  const paper = [233, 224, 206]
  const scene = Buffer.alloc(WIDTH * HEIGHT * 3)
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const at = y * WIDTH + x
      const thrown = x >= SHADOW.x && y >= SHADOW.y ? shade[at - SHADOW.y * WIDTH - SHADOW.x] / 255 : 0
      const covered = figure[at * 4 + 3] / 255
      for (let c = 0; c < 3; c++) {
        const ground = paper[c] * (1 - SHADOW.dark * thrown)
        const seen = ground * (1 - covered) + figure[at * 4 + c] * covered
        scene[at * 3 + c] = Math.min(255, seen * lightAt(x, y))
      }
    }
  const turned = await sharp(scene, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .rotate(4, { background: '#B0A48F' })
    .toBuffer({ resolveWithObject: true })
  const { data, info } = await sharp(turned.data, { raw: turned.info })
    .extract({
      ...TAKEN,
      left: TAKEN.left + Math.round((turned.info.width - WIDTH) / 2),
      top: TAKEN.top + Math.round((turned.info.height - HEIGHT) / 2),
    })
    .blur(1.2)
    .raw()
    .toBuffer({ resolveWithObject: true })
  const random = seeded(20261201)
  // Grain: the sum of two is near enough to a bell.
  for (let i = 0; i < data.length; i++) data[i] = Math.max(0, Math.min(255, data[i] + (random() + random() - 1) * 9))
  return sharp(data, { raw: info }).webp({ quality: 82 }).toBuffer()
}

const folder = fileURLToPath(new URL('../world/photos/', import.meta.url))
mkdirSync(folder, { recursive: true })
writeFileSync(`${folder}mirre-vos.webp`, await photo('Mirre Vos', 'A'))

import { readableOn } from '../colour/index.ts'
import { pathOf, type Face, type Net } from '../net/index.ts'
import { movedBy, type Mark } from '../show/index.ts'
import { commonScale, groupOf, standing } from './groupOf.ts'
import { asideOf, inFront, seriesInWords, SMALL_PARTS, type Series, type SeriesMember } from './series.ts'
import { setText, type DoesNotFit } from './setText.ts'

/** What is printed on a net: the colour with its bleed, and what stands on the faces. */
export interface CartonArt {
  colour: { face: Face['name']; fill: string; d: string }[]
  marks: { face: Face['name']; mark: Mark }[]
  faults: DoesNotFit[]
}

/** How faces are called in messages. */
const FACES: Readonly<Record<Face['name'], string>> = {
  front: 'the front',
  back: 'the back',
  left: 'the left side',
  right: 'the right side',
  lid: 'the lid',
  base: 'the base',
}

/** The side that lists everybody is paper-white, so that figures of any colour show. */
const LIGHT = '#FFFCF4'

type Printed = Pick<Series, 'title' | 'number' | 'credit' | 'privately' | 'carton'>

/** Draws on a face as if it stood upright, from the top left corner of what is read. */
type Drawn = (room: { width: number; height: number }, where: string, faults: DoesNotFit[], ink: string) => Mark[]

/**
 * What stands on the faces of a carton: chosen figures and the title in front, everybody at one scale behind, words on the
 * sides. What is written keeps to what is read of its face.
 */
export function cartonArt(net: Net, series: Printed, members: readonly SeriesMember[]): CartonArt {
  const { carton } = series
  const words = { title: series.title, about: seriesInWords(series, members.length) }
  const faults: DoesNotFit[] = []
  const drawn: Readonly<Record<Face['name'], Drawn>> = {
    front: (room, where, told, ink) => {
      const title = setText(
        words.title,
        {
          ...whole(room),
          height: room.height * 0.34,
          size: Math.min(14, room.width * 0.2),
          least: 3,
          face: 'heading',
          fill: ink,
        },
        where,
        told,
      )
      const about = setText(
        words.about,
        {
          ...whole(room),
          y: title.height + 0.6,
          height: Math.max(2.4, room.height * 0.12),
          size: Math.min(3.6, room.width * 0.08),
          fill: ink,
        },
        where,
        told,
      )
      const top = title.height + about.height + 2
      return [
        ...groupOf(inFront(carton, members), { x: 0, y: top, width: room.width, height: room.height - top }),
        ...title.marks,
        ...about.marks,
      ]
    },
    back: (room, where, told, ink) => {
      const title = setText(
        `${words.title}, ${words.about}`,
        {
          ...whole(room),
          height: room.height * 0.16,
          size: Math.min(4, room.width * 0.09),
          face: 'strong',
          anchor: 'middle',
          fill: ink,
        },
        where,
        told,
      )
      // Without sides, what has to be said stands here.
      const sideless = !net.faces.some(({ name }) => name === 'left')
      const foot = sideless
        ? setText(
            `${series.privately} ${SMALL_PARTS}`,
            { ...whole(room), height: room.height * 0.28, size: 2.2, least: 1.6, anchor: 'middle', fill: ink },
            where,
            told,
          )
        : { marks: [] as Mark[], height: 0 }
      const top = title.height + 1.4
      const low = room.height - foot.height - (foot.height > 0 ? 1 : 0)
      return [
        ...title.marks,
        ...everybody(members, { y: top, width: room.width, height: low - top }, ink),
        ...movedBy(foot.marks, 0, low + 1),
      ]
    },
    right: (room, where, told, ink) => {
      const title = setText(
        words.title,
        {
          ...whole(room),
          height: room.height * 0.35,
          size: Math.min(6, room.width * 0.3),
          least: 2,
          face: 'heading',
          fill: ink,
        },
        where,
        told,
      )
      const side = setText(
        [carton.side, series.credit].filter(Boolean).join(' · '),
        { ...whole(room), y: title.height + 2, height: room.height - title.height - 2, size: 3, fill: ink },
        where,
        told,
      )
      return [...title.marks, ...side.marks]
    },
    left: (room, where, told, ink) => {
      const privately = setText(
        series.privately,
        { ...whole(room), height: room.height * 0.64, size: 2.6, least: 1.7, fill: ink },
        where,
        told,
      )
      const caution = setText(
        SMALL_PARTS,
        {
          ...whole(room),
          y: privately.height + 2,
          height: room.height - privately.height - 2,
          size: 2.6,
          least: 1.7,
          face: 'strong',
          fill: ink,
        },
        where,
        told,
      )
      return [...privately.marks, ...caution.marks]
    },
    lid: (room, where, told, ink) =>
      setText(
        words.title,
        {
          ...whole(room),
          size: Math.min(7, room.height * 0.5),
          least: 2,
          face: 'heading',
          anchor: 'middle',
          fill: ink,
        },
        where,
        told,
      ).marks,
    base: (room, where, told, ink) =>
      setText(
        words.about,
        { ...whole(room), height: room.height * 0.5, size: 2.6, least: 1.7, anchor: 'middle', fill: ink },
        where,
        told,
      ).marks,
  }
  const colour: CartonArt['colour'] = []
  const marks: CartonArt['marks'] = []
  for (const face of net.faces) {
    const fill = face.name === 'back' ? LIGHT : face.name === 'front' ? carton.colour : asideOf(carton)
    colour.push({ face: face.name, fill, d: pathOf(face.bleed) })
    marks.push({
      face: face.name,
      mark: placedOn(face, (room) => drawn[face.name](room, FACES[face.name], faults, readableOn(fill))),
    })
  }
  return { colour, marks, faults }
}

/**
 * The mark of a pack where nobody looks for it: at the foot of the base, or of the back where there is none, in the margin
 * that words keep free.
 */
export function markOn({ faces }: Net, mark: Mark[]): Mark {
  const face = faces.find(({ name }) => name === 'base') ?? faces.find(({ name }) => name === 'back')!
  const foot = (room: { width: number; height: number }): Mark[] => [
    { kind: 'group', x: room.width / 2, y: room.height + 1.2, marks: mark },
  ]
  return placedOn(face, foot)
}

const whole = ({ width, height }: { width: number; height: number }) => ({ x: 0, y: 0, width, height })

/** What is drawn for a face, turned as the face is, and cut to the face itself. */
function placedOn({ safe, turn, outline }: Face, draw: (room: { width: number; height: number }) => Mark[]): Mark {
  const aside = turn === 90 || turn === 270
  const [width, height] = aside ? [safe.height, safe.width] : [safe.width, safe.height]
  return {
    kind: 'group',
    clip: pathOf(outline),
    marks: [
      {
        kind: 'group',
        x: safe.x + safe.width / 2,
        y: safe.y + safe.height / 2,
        turn,
        marks: [{ kind: 'group', x: -width / 2, y: -height / 2, marks: draw({ width, height }) }],
      },
    ],
  }
}

/** Everybody in rows with their numbers, at one scale, in the rows that show them largest. */
function everybody(
  members: readonly SeriesMember[],
  { y, width, height }: { y: number; width: number; height: number },
  ink: string,
): Mark[] {
  if (members.length === 0 || height <= 2) return []
  const size = Math.min(2.4, width * 0.05)
  const grids = Array.from({ length: members.length }, (_, i) => {
    const columns = i + 1
    const rows = Math.ceil(members.length / columns)
    const cell = { width: width / columns, height: height / rows }
    return {
      columns,
      cell,
      scale: commonScale(members, { width: cell.width * 0.94, height: cell.height - size * 1.4 }),
    }
  })
  const { columns, cell, scale } = grids.reduce((best, grid) => (grid.scale > best.scale ? grid : best))
  if (scale <= 0) return []
  return members.flatMap((member, i): Mark[] => {
    const room = { x: (i % columns) * cell.width, y: y + Math.floor(i / columns) * cell.height, ...cell }
    return [
      standing(member, { ...room, height: cell.height - size * 1.3 }, scale),
      ...(member.number === null
        ? []
        : [
            {
              kind: 'text' as const,
              x: room.x + cell.width / 2,
              y: room.y + cell.height - size * 0.2,
              size,
              value: String(member.number),
              anchor: 'middle' as const,
              fill: ink,
            },
          ]),
    ]
  })
}

import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { Link } from 'react-router'
import { groupBy } from '@outfit/core/base'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import {
  BOX_WIDTH,
  binKind,
  freePlace,
  placesOfBins,
  type BinKind,
  type BoxBin,
  type PartsBox,
  type Spot,
} from '@outfit/core/drawer'
import { drawerApi } from '../data/drawerApi.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { PartPicture } from '../ui/PartPicture.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { useInView } from '../ui/useInView.ts'
import { isPlain } from './BinSelect.tsx'
import { DrawerFrame } from './DrawerFrame.tsx'
import { NewBin } from './NewBin.tsx'
import { WhereIs } from './WhereIs.tsx'

/** Height of a field of the ruled ground, in pixels; its width follows from the window. */
const FIELD_HEIGHT = 30

const STEPS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/**
 * Letting a bin go is a click on it too, which would open it. It is caught at the window, since the library of dragging
 * keeps it from everybody further in, but not from the browser, which follows links by itself.
 */
const noClick = (event: Event) => event.preventDefault()
const letClicks = () => void setTimeout(() => window.removeEventListener('click', noClick, true), 50)

/** The parts box as it stands on the table, bins where they really are. */
export function BoxView() {
  return <DrawerFrame>{(box, catalogue) => <Box box={box} catalogue={catalogue} />}</DrawerFrame>
}

/** Bins that stand on the table themselves, not in another. */
const onTable = (bins: readonly BoxBin[]) => bins.filter((bin) => isPlain(bin) && !bin.parent)

function Box({ box, catalogue }: { box: PartsBox; catalogue: Catalogue }) {
  const ground = useRef<HTMLDivElement>(null)
  const [layOut] = drawerApi.endpoints.layOut.useMutation()
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const [said, say] = useState('')
  const loose = useMemo(() => box.bins.filter(isPlain), [box.bins])
  const top = useMemo(() => onTable(loose), [loose])
  const traysOf = useMemo(() => groupBy(loose, ({ parent }) => parent ?? ''), [loose])
  const places = useMemo(() => placesOfBins(top), [top])
  const rows = Math.max(8, ...[...places.values()].map(({ y, h }) => y + h)) + 1

  const dispatch = useAppDispatch()
  const latest = useRef(box)
  useLayoutEffect(() => void (latest.current = box), [box])
  const turn = useRef<Promise<unknown>>(Promise.resolve())
  /** One change after the other, each of what the one before left: keys are pressed faster than the server answers. */
  const put = (bin: BoxBin, change: (at: Spot) => Spot) => {
    turn.current = turn.current.then(() => move(bin, change)).catch(tellError)
  }
  const move = async (bin: BoxBin, change: (at: Spot) => Spot) => {
    const loaded = await dispatch(drawerApi.util.getRunningQueryThunk('box', undefined))
    const top = onTable((loaded?.data ?? latest.current).bins)
    const places = placesOfBins(top)
    const before = places.get(bin.code)
    if (!before) return
    const others = [...places].filter(([code]) => code !== bin.code).map(([, place]) => place)
    const place = freePlace(change(before), others)
    if (JSON.stringify(place) === JSON.stringify(before)) return
    // Those that were never placed are written too, since they would flow elsewhere once one is.
    const unplaced = new Set(
      top.filter(({ x, y }) => typeof x !== 'number' || typeof y !== 'number').map(({ code }) => code),
    )
    const changed = [...places].filter(([code]) => code === bin.code || unplaced.has(code))
    const to = ([code, at]: [string, Spot]) => (code === bin.code ? place : at)
    const read = (code: string) => {
      const { x = null, y = null, w = null, h = null } = top.find((one) => one.code === code)!
      return { x, y, w, h }
    }
    const answer = await layOut(changed.map((one) => ({ code: one[0], ...to(one), was: read(one[0]) })))
    if (answer.error) return tellError(answer.error)
    const words = `${bin.name} lies in column ${place.x + 1}, row ${place.y + 1}, ${place.w} by ${place.h}.`
    say(words)
    const back = () => layOut(changed.map((one) => ({ code: one[0], ...one[1], was: to(one) })))
    tell(words, () => {
      const done = turn.current.then(back)
      turn.current = done
      return done
    })
  }
  const fieldWidth = () => (ground.current?.clientWidth ?? 1) / BOX_WIDTH
  const onDragEnd = ({ active, delta }: DragEndEvent) => {
    letClicks()
    const bin = top.find(({ code }) => code === active.id)
    if (!bin) return
    put(bin, (at) => ({
      ...at,
      x: at.x + Math.round(delta.x / fieldWidth()),
      y: Math.max(0, at.y + Math.round(delta.y / FIELD_HEIGHT)),
    }))
  }
  const onKey = (bin: BoxBin) => (event: KeyboardEvent) => {
    const step = event.altKey ? STEPS[event.key] : undefined
    if (!step) return
    event.preventDefault()
    const [dx, dy] = step
    const { shiftKey } = event
    put(bin, (at) =>
      shiftKey ? { ...at, w: at.w + dx, h: at.h + dy } : { ...at, x: at.x + dx, y: Math.max(0, at.y + dy) },
    )
  }
  const onResize = (bin: BoxBin) => (down: PointerEvent<HTMLElement>) => {
    down.preventDefault()
    down.stopPropagation()
    const handle = down.currentTarget
    handle.setPointerCapture(down.pointerId)
    const end = (up: globalThis.PointerEvent) => {
      handle.removeEventListener('pointerup', end)
      put(bin, (at) => ({
        ...at,
        w: at.w + Math.round((up.clientX - down.clientX) / fieldWidth()),
        h: at.h + Math.round((up.clientY - down.clientY) / FIELD_HEIGHT),
      }))
    }
    handle.addEventListener('pointerup', end)
  }

  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <WhereIs />
        <span className="ml-auto flex items-center gap-2">
          <a
            href="/api/drawer/labels.pdf"
            target="_blank"
            rel="noreferrer"
            className="rounded-[10px] border border-transparent px-3 py-1.5 font-semibold text-act hover:bg-band"
          >
            Labels to print
          </a>
          <Link
            to="/tables"
            className="rounded-[10px] border border-transparent px-3 py-1.5 font-semibold text-act hover:bg-band"
          >
            Import or export
          </Link>
          <NewBin bins={loose} />
        </span>
      </div>
      <p aria-live="polite" className="sr-only">
        {said}
      </p>
      {top.length > 0 && (
        <p className="mt-2 hidden text-[13px] text-soft sm:block">
          Drag a bin to where it stands on your table, its corner to its size; or Alt and arrows, with Shift for the
          size.
        </p>
      )}
      <DndContext
        sensors={sensors}
        onDragStart={() => window.addEventListener('click', noClick, true)}
        onDragCancel={letClicks}
        onDragEnd={onDragEnd}
      >
        <div
          ref={ground}
          className="relative mt-2 hidden rounded-[12px] border-2 border-wood-edge sm:block"
          style={{
            height: rows * FIELD_HEIGHT,
            backgroundColor: 'var(--card)',
            backgroundImage:
              'linear-gradient(to right, color-mix(in srgb, var(--rule) 45%, transparent) 1px, transparent 1px), linear-gradient(color-mix(in srgb, var(--rule) 45%, transparent) 1px, transparent 1px)',
            backgroundSize: `${100 / BOX_WIDTH}% ${FIELD_HEIGHT}px`,
          }}
        >
          <ul aria-label="Bins" className="contents">
            {top.map((bin) => (
              <Tray
                key={bin.code}
                bin={bin}
                trays={traysOf.get(bin.code) ?? []}
                place={places.get(bin.code)!}
                catalogue={catalogue}
                onKey={onKey(bin)}
                onResize={onResize(bin)}
              />
            ))}
          </ul>
        </div>
      </DndContext>
      <ul aria-label="Bins in walking order" className="mt-3 border-t border-rule sm:hidden">
        {loose.map((bin) => (
          <li key={bin.code} className="border-b border-rule">
            <Link to={`/drawer/bins/${bin.code}`} className={`flex gap-2 py-2.5 ${bin.parent ? 'pl-5' : ''}`}>
              <strong className="min-w-0 flex-1 truncate">{bin.name}</strong>
              <span className="text-soft">{countWords(bin)}</span>
            </Link>
          </li>
        ))}
      </ul>
      <Beside box={box} />
    </>
  )
}

const countWords = ({ units, kinds }: BoxBin) =>
  units === 0 ? 'empty' : `${units} ${units === 1 ? 'part' : 'parts'}, ${kinds} ${kinds === 1 ? 'kind' : 'kinds'}`

interface TrayProps {
  bin: BoxBin
  trays: readonly BoxBin[]
  place: Spot
  catalogue: Catalogue
  onKey: (event: KeyboardEvent) => void
  onResize: (event: PointerEvent<HTMLElement>) => void
}

/** A bin in its place. A large box has thousands of them; only those near the window can be moved and are drawn in full. */
function Tray({ place, ...props }: TrayProps) {
  const [ref, isNear] = useInView<HTMLLIElement>()
  const { bin, onKey } = props
  return (
    <li
      ref={ref}
      className="absolute"
      style={{
        left: `${(100 * place.x) / BOX_WIDTH}%`,
        top: place.y * FIELD_HEIGHT,
        width: `${(100 * place.w) / BOX_WIDTH}%`,
        height: place.h * FIELD_HEIGHT,
      }}
    >
      {isNear ? <Movable place={place} {...props} /> : <Label bin={bin} onKey={onKey} />}
    </li>
  )
}

/** What stands on a bin, and the way into it. */
function Label({ bin, onKey }: Pick<TrayProps, 'bin' | 'onKey'>) {
  return (
    <Link
      to={`/drawer/bins/${bin.code}`}
      draggable={false}
      onKeyDown={onKey}
      className="block border-b border-wood-edge/60 bg-card px-2 pt-1 pb-0.5 leading-tight hover:bg-band"
    >
      <strong className="block truncate">{bin.name}</strong>
      <span className="block truncate text-[12px] text-soft">{countWords(bin)}</span>
    </Link>
  )
}

/** A bin seen from above: its label, what it has most of, and the trays in it. */
function Movable({ bin, trays, place, catalogue, onKey, onResize }: TrayProps) {
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: bin.code })
  const room = Math.max(0, place.h * FIELD_HEIGHT - (trays.length > 0 ? 84 : 58))
  const shown = Math.min(bin.lid.length, Math.max(1, Math.floor(place.w / 1.3)))
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      className={`relative h-full p-[3px] ${isDragging ? 'z-10 opacity-80' : ''}`}
      style={{ transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined }}
    >
      <div className="flex h-full cursor-grab flex-col overflow-hidden rounded-[10px] border border-wood-edge bg-bag/50 shadow-[inset_0_2px_0_rgba(0,0,0,0.06)]">
        <Label bin={bin} onKey={onKey} />
        <div aria-hidden className="flex min-h-0 flex-1 items-center justify-around px-1">
          {bin.lid.slice(0, shown).map((code) => {
            const part = catalogue.parts.get(code)
            return (
              part && (
                <span key={code} title={partLabel(catalogue, part)} style={{ height: room }} className="min-w-0">
                  <PartPicture part={part} catalogue={catalogue} label="" className="h-full w-full" />
                </span>
              )
            )
          })}
        </div>
        {trays.length > 0 && (
          <p className="flex gap-1 overflow-hidden px-1.5 pb-1.5 text-[12px]">
            {trays.map(({ code, name }) => (
              <Link
                key={code}
                to={`/drawer/bins/${code}`}
                className="truncate rounded-[6px] border border-wood-edge/60 bg-card px-1.5 hover:bg-band"
              >
                {name}
              </Link>
            ))}
          </p>
        )}
      </div>
      <span
        aria-hidden
        onPointerDown={onResize}
        className="absolute right-[3px] bottom-[3px] size-4 cursor-nwse-resize rounded-br-[10px] border-r-4 border-b-4 border-wood-edge/70"
      />
    </div>
  )
}

/** What is owned and does not lie in the box: figures that stand together, built outfits, what was lent. */
function Beside({ box }: { box: PartsBox }) {
  const of = (kind: BinKind) => box.bins.filter((bin) => binKind(bin) === kind && bin.units > 0)
  const groups: [string, BoxBin[], string][] = [
    ['Figures that stand together', of('donor'), 'They can give up parts as far as house rules allow.'],
    ['Built outfits', of('stand'), 'Their parts are nobody else’s.'],
    ['Lent', of('lent'), 'Owned, but nobody can plan with them.'],
  ]
  return (
    <div className="mt-5 grid gap-x-10 gap-y-4 sm:grid-cols-3">
      {groups.map(
        ([title, bins, about]) =>
          bins.length > 0 && (
            <section key={title} aria-label={title}>
              <h2 className="text-lg">
                {title} <span className="font-sans text-sm font-normal tracking-normal text-soft">{bins.length}</span>
              </h2>
              <p className="text-[13px] text-soft">{about}</p>
              <ul className="mt-1 columns-2 gap-4">
                {bins.map((bin) => (
                  <li key={bin.code} className="truncate">
                    <Link to={`/drawer/bins/${bin.code}`} className="hover:text-act hover:underline">
                      {bin.name.replace(/^Stand: /, '')}
                    </Link>{' '}
                    <span className="text-soft">{bin.units}</span>
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
    </div>
  )
}

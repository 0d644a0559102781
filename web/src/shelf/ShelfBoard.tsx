import {
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core'
import { memo, useCallback, useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { arrange, inShelfOrder, movesBack, stepAlong, type Move } from '@outfit/core/roster'
import { type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { rosterApi } from '../data/rosterApi.ts'
import { underWay, tell, tellError } from '../ui/tell.ts'
import { OutfitMenu } from './OutfitMenu.tsx'
import { PinCount } from './PinCount.tsx'
import { byFaction, PLACE } from '../roster/shelfData.ts'
import { ShelfRule } from './ShelfRule.tsx'
import { StandingFigure } from './StandingFigure.tsx'
import { StateMark } from './StateMark.tsx'

/** Where something is about to be put: before an outfit, or at the end of a faction. */
interface Target {
  roster: string
  faction: string
  before: string | null
}

const same = (a: Target | null, b: Target) =>
  a !== null && a.roster === b.roster && a.faction === b.faction && a.before === b.before

/**
 * Shelves on which figures are put where they belong: by dragging, or with Alt and the arrow keys on a figure. Between two
 * shelves a figure changes its roster.
 */
export function ShelfBoard({ rosters, height }: { rosters: readonly RosterShelf[]; height: number }) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const [arrangeOutfits] = rosterApi.endpoints.arrangeOutfits.useMutation()
  const [moveOver] = rosterApi.endpoints.moveOver.useMutation()
  const [held, hold] = useState<ShelfOutfit | null>(null)
  const [target, aim] = useState<Target | null>(null)
  const [said, say] = useState('')
  const rosterOf = (id: string) => rosters.find(({ outfits }) => outfits.some((outfit) => outfit.id === id))!

  const move = async (outfit: ShelfOutfit, moves: Move[], roster: RosterShelf) => {
    const before = inShelfOrder(roster.outfits)
    const after = arrange(roster.outfits, moves)
    if (after.every(({ id, faction }, i) => before[i]!.id === id && before[i]!.faction === faction)) return
    const answer = await underWay(arrangeOutfits({ roster: roster.id, moves }))
    if (answer.error) return tellError(answer.error)
    const number = after.findIndex(({ id }) => id === outfit.id) + 1
    const { faction } = after[number - 1]!
    const words = `${outfit.name} stands as number ${number}${faction ? ` in ${faction}` : ''}.`
    say(words)
    tell(words, () => arrangeOutfits({ roster: roster.id, moves: movesBack(before, moves) }))
  }

  const over = async (outfit: ShelfOutfit, from: RosterShelf, { roster: to, faction, before }: Target) => {
    const there = rosters.find(({ id }) => id === to)!
    const put = async (back: boolean) => {
      const [source, goal] = back ? [to, from.id] : [from.id, to]
      const answer = await moveOver({ roster: source, outfits: [outfit.id], to: goal })
      if (answer.error) return answer
      const moves = [{ outfit: outfit.id, faction, before }]
      return arrangeOutfits({ roster: goal, moves: back ? movesBack(inShelfOrder(from.outfits), moves) : moves })
    }
    const answer = await put(false)
    if (answer.error) return tellError(answer.error)
    tell(`${outfit.name} stands in ${there.name} now.`, () => put(true))
  }

  const onDragEnd = ({ active }: DragEndEvent) => {
    const [outfit, goal] = [held, target]
    hold(null)
    aim(null)
    if (!outfit || !goal || goal.before === active.id) return
    const from = rosterOf(outfit.id)
    if (from.id === goal.roster)
      void move(outfit, [{ outfit: outfit.id, faction: goal.faction, before: goal.before }], from)
    else void over(outfit, from, goal)
  }
  const onDragMove = ({ over: under, activatorEvent, delta }: DragMoveEvent) => {
    const data = under?.data.current as
      | { roster: string; faction: string; outfit: string | null; next: string | null }
      | undefined
    if (!under || !data) return aim(null)
    const x = (activatorEvent as PointerEvent).clientX + delta.x
    const behind = x > under.rect.left + under.rect.width / 2
    const goal = {
      roster: data.roster,
      faction: data.faction,
      before: data.outfit && !behind ? data.outfit : data.next,
    }
    if (!same(target, goal)) aim(goal)
  }
  const step = (outfit: ShelfOutfit, by: -1 | 1) => {
    const roster = rosterOf(outfit.id)
    const next = stepAlong(roster.outfits, outfit.id, by)
    if (next) void move(outfit, [next], roster)
  }
  const latest = useRef(step)
  useEffect(() => void (latest.current = step))
  const onStep = useCallback((outfit: ShelfOutfit, by: -1 | 1) => latest.current(outfit, by), [])

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => hold(rosterOf(String(active.id)).outfits.find(({ id }) => id === active.id)!)}
      onDragMove={onDragMove}
      onDragEnd={onDragEnd}
      onDragCancel={() => {
        hold(null)
        aim(null)
      }}
      accessibility={{
        screenReaderInstructions: { draggable: 'Alt and the arrow keys move a figure along the shelf.' },
      }}
    >
      <p aria-live="polite" className="sr-only">
        {said}
      </p>
      <div className={rosters.length > 1 ? 'grid grid-cols-2 gap-6' : ''}>
        {rosters.map((roster) => (
          <section key={roster.id} aria-label={roster.name} className="min-w-0">
            {rosters.length > 1 && (
              <h2 className="mt-4 text-xl">
                <Link to={`/rosters/${roster.id}`} className="hover:text-act hover:underline">
                  {roster.name}
                </Link>
              </h2>
            )}
            <Board roster={roster} height={height} target={target} onStep={onStep} />
          </section>
        ))}
      </div>
      <DragOverlay dropAnimation={null}>
        {held && (
          <div style={{ width: Math.floor(height * PLACE), height }} className="relative opacity-90">
            <StandingFigure outfit={held} height={height} />
          </div>
        )}
      </DragOverlay>
    </DndContext>
  )
}

function Board({
  roster,
  height,
  target,
  onStep,
}: {
  roster: RosterShelf
  height: number
  target: Target | null
  onStep: (outfit: ShelfOutfit, by: -1 | 1) => void
}) {
  const groups = byFaction(roster.outfits)
  return (
    <div className="relative isolate mt-3">
      <div className="relative flex gap-8 overflow-x-auto pb-2 pl-14">
        {groups.map(({ faction, outfits }, i) => (
          <section
            key={faction}
            aria-label={faction || 'No faction'}
            className={`flex flex-col ${i === 0 ? '' : 'border-l border-rule pl-5'}`}
          >
            <h3 className="min-h-6 text-base whitespace-nowrap">
              {faction}{' '}
              <span className="font-sans text-[13px] font-normal tracking-normal text-soft">{outfits.length}</span>
            </h3>
            <ul className="flex">
              {outfits.map(({ outfit, number }, at) => (
                <Stand
                  key={outfit.id}
                  outfit={outfit}
                  number={number}
                  roster={roster}
                  next={outfits[at + 1]?.outfit.id ?? null}
                  height={height}
                  aimed={target?.roster === roster.id && target.faction === faction && target.before === outfit.id}
                  onStep={onStep}
                />
              ))}
              <End
                roster={roster.id}
                faction={faction}
                height={height}
                aimed={target?.roster === roster.id && target.faction === faction && target.before === null}
              />
            </ul>
          </section>
        ))}
        {groups.length === 0 && (
          <End roster={roster.id} faction="" height={height} aimed={target?.roster === roster.id} />
        )}
        <ShelfRule height={height} />
      </div>
    </div>
  )
}

/** Width of the place behind the last of a faction, in pixels. */
export const END = 24

/** A place too narrow for words beside the tape, in pixels. */
const NARROW = 122

const bar = 'absolute top-0 bottom-0 w-1 rounded-full bg-act'

/** The end of a faction, onto which a figure can be put. */
function End({ roster, faction, height, aimed }: { roster: string; faction: string; height: number; aimed: boolean }) {
  const { setNodeRef } = useDroppable({
    id: `end ${roster} ${faction}`,
    data: { roster, faction, outfit: null, next: null },
  })
  return (
    <li ref={setNodeRef} aria-hidden className="relative" style={{ height, width: END }}>
      {aimed && <span className={`${bar} left-0`} />}
    </li>
  )
}

function Stand({
  outfit,
  number,
  roster,
  next,
  height,
  aimed,
  onStep,
}: {
  outfit: ShelfOutfit
  number: number
  roster: RosterShelf
  next: string | null
  height: number
  aimed: boolean
  onStep: (outfit: ShelfOutfit, by: -1 | 1) => void
}) {
  const drag = useDraggable({ id: outfit.id })
  const drop = useDroppable({
    id: `at ${outfit.id}`,
    data: { roster: roster.id, faction: outfit.faction, outfit: outfit.id, next },
  })
  return (
    <li
      ref={(node) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
      }}
      className={`relative ${drag.isDragging ? 'opacity-40' : ''}`}
      style={{ width: Math.floor(height * PLACE) }}
      onPointerDown={(event) => (drag.listeners?.['onPointerDown'] as ((e: unknown) => void) | undefined)?.(event)}
    >
      {aimed && <span aria-hidden className={`${bar} -left-0.5`} />}
      <Content outfit={outfit} number={number} roster={roster} height={height} onStep={onStep} />
    </li>
  )
}

/** What stands there: drawn anew when it changes, not while something is dragged past. */
const Content = memo(function Content({
  outfit,
  number,
  roster,
  height,
  onStep,
}: {
  outfit: ShelfOutfit
  number: number
  roster: RosterShelf
  height: number
  onStep: (outfit: ShelfOutfit, by: -1 | 1) => void
}) {
  return (
    <>
      <Link
        to={`/outfits/${outfit.id}/bench`}
        draggable={false}
        aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight"
        onKeyDown={(event) => {
          if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return
          event.preventDefault()
          onStep(outfit, event.key === 'ArrowLeft' ? -1 : 1)
        }}
        className="group block rounded-[10px] text-center"
      >
        <StandingFigure outfit={outfit} height={height} />
        <span className="mt-5 block font-head leading-tight font-bold group-hover:text-act">
          {number} · {outfit.name}
        </span>
        <StateMark state={outfit.state} narrow={height * PLACE < NARROW} />
        {outfit.placements.length > 0 && (
          <>
            <PinCount pins={outfit.pins} />
            <span className="block text-[13px] text-soft">
              {outfit.toBuy === 0
                ? outfit.arriving > 0
                  ? `${outfit.arriving} on the way`
                  : 'all owned'
                : `${outfit.toBuy} to buy`}
            </span>
          </>
        )}
      </Link>
      <OutfitMenu outfit={outfit} roster={roster} />
    </>
  )
})

import { ArrowDown, ArrowUp, Copy, FlipHorizontal2, RotateCcw, RotateCw, X } from 'lucide-react'
import type { MadeAs } from '@outfit/core/catalogue'
import { asTurn, BOARD_REACH, type BoardKey, type BoardPiece } from '@outfit/core/made'
import { number, small } from './looks.ts'

interface PickedPieceProps {
  piece: BoardPiece
  as: MadeAs
  isFirst: boolean
  isLast: boolean
  onChange: (of: Partial<BoardPiece>) => void
  onPress: (key: BoardKey) => void
  /** The middle of the piece becomes the dot of the board. */
  onGrip: () => void
}

/** What is said of pieces over and under the hand or body. */
const OVERS: Readonly<Record<MadeAs, { over: string; under: string }>> = {
  held: { over: 'Over the hand', under: 'Under the hand' },
  beside: { over: 'In front', under: 'Behind' },
  back: { over: 'Over the figure', under: 'Behind the figure' },
  shoulders: { over: 'Over the arms', under: 'Under the arms' },
  lower: { over: 'Over the torso', under: 'Under the torso' },
}

/** What can be done to the piece that is picked, by numbers and buttons; the board does the same by pointer and keys. */
export function PickedPiece({ piece, as, isFirst, isLast, onChange, onPress, onGrip }: PickedPieceProps) {
  return (
    <div role="group" aria-label="The piece that is picked" className="mt-2 rounded-[10px] border border-rule p-2.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 text-[13px]">
        {(['x', 'y', 'turn'] as const).map((name) => (
          <label key={name} className="flex items-center gap-1.5">
            {name === 'x' ? 'across' : name === 'y' ? 'down' : 'turned °'}
            <input
              type="number"
              value={piece[name]}
              onChange={(event) => {
                const value = Number(event.target.value)
                if (Number.isFinite(value))
                  onChange({
                    [name]: name === 'turn' ? asTurn(value) : Math.max(-BOARD_REACH, Math.min(BOARD_REACH, value)),
                  })
              }}
              className={number}
            />
          </label>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-1.5">
        <button
          type="button"
          className={small}
          onClick={() => onPress('anticlockwise')}
          aria-label="Turn anticlockwise"
        >
          <RotateCcw aria-hidden className="size-3.5" />
        </button>
        <button type="button" className={small} onClick={() => onPress('clockwise')} aria-label="Turn clockwise">
          <RotateCw aria-hidden className="size-3.5" />
        </button>
        <button type="button" className={small} aria-pressed={piece.mirrored} onClick={() => onPress('mirror')}>
          <FlipHorizontal2 aria-hidden className="size-3.5" /> Mirror
        </button>
        {/* Nothing of the figure stands in between. */}
        {as !== 'beside' && (
          <button type="button" className={small} onClick={() => onPress('front')}>
            {piece.front ? OVERS[as].under : OVERS[as].over}
          </button>
        )}
        <button
          type="button"
          className={small}
          disabled={isFirst}
          onClick={() => onPress('earlier')}
          aria-label="Further behind"
        >
          <ArrowUp aria-hidden className="size-3.5" />
        </button>
        <button
          type="button"
          className={small}
          disabled={isLast}
          onClick={() => onPress('later')}
          aria-label="Further in front"
        >
          <ArrowDown aria-hidden className="size-3.5" />
        </button>
        <button type="button" className={small} onClick={() => onPress('copy')}>
          <Copy aria-hidden className="size-3.5" /> Double
        </button>
        <button
          type="button"
          className={small}
          disabled={piece.x === 0 && piece.y === 0}
          title="Move everything so that the middle of this piece is at the dot"
          onClick={onGrip}
        >
          Dot here
        </button>
        <button type="button" className={small} onClick={() => onPress('remove')}>
          <X aria-hidden className="size-3.5" /> Remove
        </button>
      </div>
    </div>
  )
}

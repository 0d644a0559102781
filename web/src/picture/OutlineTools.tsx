import { BoxSelect, ScanLine, Trash2, Undo2 } from 'lucide-react'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import type { OutlineWork } from './useOutline.ts'

/** What one does about the doll over a picture, and what to do next. */
export function OutlineTools({ work }: { work: OutlineWork }) {
  const { now, outline, guessed } = work
  const tool = 'px-2 py-0.5 text-[13px]'
  return (
    <div className="text-[13px]">
      <p role="status" className="min-h-10 text-soft">
        {now.step === 'looking'
          ? 'Looking for the figure…'
          : now.step === 'picking'
            ? `${now.figures.length} figures: press the one this outfit is of.`
            : now.step === 'boxing'
              ? now.boxes.length === 0
                ? 'Drag a box round the figure; where there are several, one round each.'
                : `${counted(now.boxes.length, 'box', 'boxes')}: draw one round each who is compared in height, or go on.`
              : guessed.length > 0
                ? 'Filled points were guessed: drag them where they belong, or move them by arrow keys.'
                : 'Drag a point where it belongs, or move it by arrow keys.'}
      </p>
      <div className="flex flex-wrap gap-1">
        <Button look="plain" className={tool} disabled={now.step === 'looking'} onClick={() => void work.find()}>
          <ScanLine aria-hidden className="size-4" /> Find again
        </Button>
        {now.step === 'boxing' ? (
          <>
            {now.boxes.length > 0 && (
              <Button className={tool} onClick={() => void work.within(now.boxes)}>
                Go on with {counted(now.boxes.length, 'box', 'boxes')}
              </Button>
            )}
            <Button look="plain" className={tool} onClick={() => work.begin({ step: 'laid' })}>
              No box
            </Button>
          </>
        ) : (
          <Button look="plain" className={tool} onClick={() => work.begin({ step: 'boxing', boxes: [] })}>
            <BoxSelect aria-hidden className="size-4" /> Draw boxes
          </Button>
        )}
        <Button look="plain" className={tool} disabled={work.past.length === 0} onClick={work.undo}>
          <Undo2 aria-hidden className="size-4" /> Step back
        </Button>
        {outline && (
          <Button look="plain" className={tool} onClick={work.takeOff}>
            <Trash2 aria-hidden className="size-4" /> Take the doll off
          </Button>
        )}
      </div>
    </div>
  )
}

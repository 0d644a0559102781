import { useState } from 'react'
import { WAYS_OUT, type WayOut } from '@outfit/core/drawer'
import { errorText } from '../data/api.ts'
import { drawerApi, type Picked } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'
import { BinSelect, isPlain } from './BinSelect.tsx'

const WORDS: Readonly<Record<WayOut, string>> = { sold: 'sold', given: 'given away', lost: 'lost or thrown away' }

type Going = 'move' | 'lend' | 'out'

interface WhatToDoProps {
  /** The bin they lie in, which they are not moved into; empty for parts of several. */
  bin: string
  /** What to do first while nothing is picked. */
  hint: string
  chosen: Picked[]
  onDone: () => void
}

/** What can be done with parts that were picked out of a bin: move, lend, sell. */
export function WhatToDo({ bin, hint, chosen: picked, onDone }: WhatToDoProps) {
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const [going, setGoing] = useState<Going | null>(null)
  // What was picked when one began to say where to; should it go meanwhile, the server says so.
  const [asked, ask] = useState<Picked[]>([])
  const chosen = going ? asked : picked
  const go = (to: Going | null) => {
    ask(picked)
    setGoing(to)
  }
  const [to, setTo] = useState('')
  const [holder, setHolder] = useState('')
  const [how, setHow] = useState<WayOut>('sold')
  const [text, setText] = useState('')
  const [moveParts, moving] = drawerApi.endpoints.moveParts.useMutation()
  const [lend, lending] = drawerApi.endpoints.lend.useMutation()
  const [takeOut, takingOut] = drawerApi.endpoints.takeOut.useMutation()
  const [reverse] = drawerApi.endpoints.reverseAct.useMutation()
  const qty = chosen.reduce((sum, one) => sum + one.qty, 0)
  const parts = `${qty} ${qty === 1 ? 'part' : 'parts'}`
  const bins = box?.bins.filter((one) => one.code !== bin && isPlain(one)) ?? []
  const leave = () => {
    go(null)
    for (const { reset } of [moving, lending, takingOut]) reset()
  }
  const done = (words: string, act: string) => {
    tell(words, () => reverse(act))
    onDone()
    leave()
  }
  const keep = async () => {
    if (going === 'move') {
      const answer = await moveParts({ moves: chosen, to })
      if (!answer.error) done(`${parts} moved into ${bins.find(({ code }) => code === to)!.name}.`, answer.data.act)
    } else if (going === 'lend') {
      const answer = await lend({ moves: chosen, holder: holder.trim() })
      if (!answer.error) done(`${parts} lent to ${holder.trim()}.`, answer.data.act)
    } else {
      const answer = await takeOut({ moves: chosen, how, text: text.trim() || WORDS[how] })
      if (!answer.error) done(`${parts} ${WORDS[how]}.`, answer.data.act)
    }
  }
  const error = moving.error ?? lending.error ?? takingOut.error
  const TITLES: Record<Going, string> = {
    move: `Move ${parts}`,
    lend: `Lend ${parts}`,
    out: `${parts} leave the drawer`,
  }
  const ready = { move: to !== '', lend: holder.trim() !== '', out: true }
  return (
    <>
      <span aria-live="polite" className="text-soft">
        {qty === 0 ? hint : `${parts} picked:`}
      </span>
      <Button disabled={qty === 0} onClick={() => go('move')}>
        Move…
      </Button>
      <Button disabled={qty === 0} onClick={() => go('lend')}>
        Lend…
      </Button>
      <Button disabled={qty === 0} onClick={() => go('out')}>
        Sold, given away, lost…
      </Button>
      {going && (
        <FormDialog
          title={TITLES[going]}
          keep={{ move: 'Move', lend: 'Lend', out: 'Take out' }[going]}
          ready={ready[going]}
          problem={error ? errorText(error) : ''}
          onKeep={() => void keep()}
          onLeave={leave}
        >
          {going === 'move' && <BinSelect label="Into the bin" bins={bins} value={to} none="choose …" onPick={setTo} />}
          {going === 'lend' && (
            <label className="block font-semibold">
              To whom
              <input
                value={holder}
                maxLength={120}
                onChange={({ target }) => setHolder(target.value)}
                className={FIELD}
              />
            </label>
          )}
          {going === 'out' && (
            <>
              <label className="block font-semibold">
                How
                <select value={how} onChange={({ target }) => setHow(target.value as WayOut)} className={FIELD}>
                  {WAYS_OUT.map((way) => (
                    <option key={way} value={way}>
                      {WORDS[way]}
                    </option>
                  ))}
                </select>
              </label>
              <label className="block font-semibold">
                To whom, or why
                <input
                  value={text}
                  maxLength={300}
                  onChange={({ target }) => setText(target.value)}
                  className={FIELD}
                />
              </label>
            </>
          )}
        </FormDialog>
      )}
    </>
  )
}

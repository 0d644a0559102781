import { Check, Plus } from 'lucide-react'
import type { Placement } from '@outfit/core/catalogue'
import type { Take } from '@outfit/core/roster'
import { Figure } from '../ui/Figure.tsx'
import { WhatIs } from '../ui/WhatIs.tsx'

interface TakesProps {
  takes: readonly Take[]
  current: string
  present: Placement[]
  busy: boolean
  onOpen: (take: string) => void
  onAdd: () => void
  onChoose: () => void
}

/** The takes of the outfit, drawn; the chosen one is what its roster shows and buys. */
export function Takes({ takes, current, present, busy, onOpen, onAdd, onChoose }: TakesProps) {
  const isChosen = takes.find((take) => take.id === current)?.chosen ?? false
  return (
    <div className="absolute top-3 left-4 flex items-end gap-2 phone:top-1 phone:left-1 phone:flex-col phone:items-start">
      <ul aria-label="Takes" className="flex gap-2">
        {takes.map((take) => (
          <li key={take.id}>
            <button
              type="button"
              aria-label={`Take ${take.label}${take.chosen ? ', chosen' : ''}`}
              aria-current={take.id === current ? 'true' : undefined}
              onClick={() => onOpen(take.id)}
              className={`block w-[74px] phone:w-11 rounded-[10px] border bg-card pt-1 pb-0.5 text-center text-[13px] ${take.id === current ? 'border-act ring-1 ring-act' : 'border-rule hover:border-act'}`}
            >
              <Figure
                placements={take.id === current ? present : take.placements}
                label=""
                className="mx-auto h-[92px] phone:hidden"
              />
              <span className={take.id === current ? 'font-bold' : ''}>
                {take.label}
                {take.chosen && <Check aria-hidden className="ml-0.5 inline size-3.5 text-good" />}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-col items-start gap-1">
        <button
          type="button"
          disabled={busy}
          onClick={onAdd}
          className="inline-flex items-center gap-1 rounded-[8px] px-1.5 py-0.5 text-[13px] bg-paper/85 font-semibold text-act hover:bg-card"
        >
          <Plus aria-hidden className="size-3.5" /> New take
        </button>
        <WhatIs word="take" said="a take" className="bg-paper/85 phone:hidden" />
        {!isChosen && (
          <button
            type="button"
            disabled={busy}
            onClick={onChoose}
            className="inline-flex items-center gap-1 rounded-[8px] px-1.5 py-0.5 text-[13px] bg-paper/85 font-semibold text-act hover:bg-card"
          >
            <Check aria-hidden className="size-3.5" /> Choose this
          </button>
        )}
      </div>
    </div>
  )
}

import type { ReactNode } from 'react'
import type { ToldParcel } from '@outfit/core/parcels'
import { Tabs } from '../ui/Tabs.tsx'
import { summaryOf } from './parcelWords.ts'

/** The frame of the views of parcels. */
export function ParcelsFrame({ parcels, children }: { parcels: readonly ToldParcel[]; children: ReactNode }) {
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4 phone:px-3">
      <h1 className="text-3xl">
        Parcels
        <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">{summaryOf(parcels)}</span>
      </h1>
      <Tabs
        label="Ways to look at parcels"
        views={[
          ['Orders', '/parcels'],
          ['Spending', '/parcels/spending'],
        ]}
      />
      {children}
    </div>
  )
}

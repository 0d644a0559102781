import type { ReactNode } from 'react'
import { Tabs } from '../ui/Tabs.tsx'

const VIEWS = [
  ['This workspace', '/settings'],
  ['Other devices', '/settings/devices'],
  ['What was done', '/settings/done'],
  ['Copies', '/settings/copies'],
  ['Begin anew', '/settings/begin-anew'],
] as const

/** The frame of what is set for the whole workspace. */
export function SettingsFrame({ children }: { children: ReactNode }) {
  return (
    <div className="mx-auto max-w-[980px] px-5 py-4">
      <h1 className="text-3xl">Settings</h1>
      <Tabs label="Settings" views={VIEWS} />
      {children}
    </div>
  )
}

import { useState } from 'react'
import type { TraySettings } from './Tray.tsx'
import { TRAY_ORDERS } from './useTray.ts'

const KEY = 'outfit.tray'

function remembered(): TraySettings {
  const blank: TraySettings = { find: '', order: 'owned', ownedOnly: false }
  try {
    const { order, ownedOnly } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<TraySettings>
    return { ...blank, ...(order && order in TRAY_ORDERS ? { order } : {}), ownedOnly: ownedOnly === true }
  } catch {
    return blank
  }
}

/** How the tray is sorted and filtered; remembered in the browser, but for the words looked for. */
export function useTraySettings(): [TraySettings, (settings: TraySettings) => void] {
  const [settings, setSettings] = useState(remembered)
  return [
    settings,
    (next) => {
      setSettings(next)
      localStorage.setItem(KEY, JSON.stringify({ order: next.order, ownedOnly: next.ownedOnly }))
    },
  ]
}

import { useState } from 'react'
import { TRAY_ORDERS, type TraySettings } from './trayEntries.ts'

const KEY = 'outfit.tray'

const BLANK: TraySettings = {
  find: '',
  order: 'likeness',
  ownedOnly: false,
  wishedColour: false,
  limit: null,
  mix: 0,
}

function remembered(): TraySettings {
  try {
    const { order, ownedOnly, mix } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<TraySettings>
    return {
      ...BLANK,
      ...(order && order in TRAY_ORDERS ? { order } : {}),
      ownedOnly: ownedOnly === true,
      mix: typeof mix === 'number' && mix >= 0 && mix <= 1 ? mix : 0,
    }
  } catch {
    return BLANK
  }
}

/** How the tray is sorted and filtered; remembered in the browser, but for what belongs to one slot or outfit. */
export function useTraySettings(): [TraySettings, (settings: TraySettings) => void] {
  const [settings, setSettings] = useState(remembered)
  return [
    settings,
    (next) => {
      setSettings(next)
      const { order, ownedOnly, mix } = next
      localStorage.setItem(KEY, JSON.stringify({ order, ownedOnly, mix }))
    },
  ]
}

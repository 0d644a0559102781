import { setForms } from '@outfit/core/base'
import { setHomeCurrency } from '@outfit/core/market'
import type { WorkspaceSettings } from '@outfit/core/settings'
import { settingsApi } from '../data/settingsApi.ts'
import { store } from './store.ts'

const SINGLE_KEYS = 'outfit.single-keys'

/** How the page looks by the settings (`styles.css`). */
function look({ look, lessMotion }: WorkspaceSettings): void {
  const { dataset } = document.documentElement
  if (look === 'system') delete dataset['theme']
  else dataset['theme'] = look
  if (lessMotion) dataset['motion'] = 'less'
  else delete dataset['motion']
}

/** Ask for the settings before anything is shown that hangs on them, and keep to them from then on. */
export async function applySettings(): Promise<void> {
  const select = settingsApi.endpoints.settings.select()
  let seen: WorkspaceSettings | undefined
  store.subscribe(() => {
    const { data } = select(store.getState() as never)
    if (!data || data === seen) return
    seen = data
    look(data)
  })
  const { data } = await store.dispatch(settingsApi.endpoints.settings.initiate())
  // Where there is no answer the views say so themselves.
  if (!data) return
  setHomeCurrency(data.home)
  setForms(data)
  // Kept in the browser before there were settings: who switched letters off does not get them back.
  if (localStorage.getItem(SINGLE_KEYS) === 'off' && data.singleKeys)
    void store.dispatch(settingsApi.endpoints.changeSettings.initiate({ singleKeys: false }))
  localStorage.removeItem(SINGLE_KEYS)
}

import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { RouterProvider } from 'react-router'
import { accessHere } from '../access/enter.ts'
import { keepWithWorkspace } from '../data/browserKept.ts'
import { followNews } from '../data/news.ts'
import { applySettings } from './applySettings.ts'
import { router } from './routes.tsx'
import { store } from './store.ts'
import './styles.css'

/** First whoever asks comes in, then what hangs on the workspace is asked for, then it is shown. */
async function begin(): Promise<void> {
  const root = createRoot(document.getElementById('root')!)
  const { entered } = await accessHere()
  if (!entered) {
    const { EnterView } = await import('../access/EnterView.tsx')
    await new Promise<void>((resolve) => root.render(<EnterView onEntered={resolve} />))
  }
  await Promise.all([applySettings(), keepWithWorkspace()])
  followNews(store.dispatch)
  root.render(
    <StrictMode>
      <Provider store={store}>
        <RouterProvider router={router} />
      </Provider>
    </StrictMode>,
  )
}

// Not awaited here: pieces that are loaded later wait for this file to have run.
void begin()

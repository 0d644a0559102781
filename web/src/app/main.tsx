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

/** Longest wait for our fonts, in milliseconds: what is shown before them moves under the pointer once they come. */
const FONTS = 600

const fonts = (): Promise<unknown> =>
  Promise.race([
    Promise.all(
      ['16px "Atkinson Hyperlegible Next Variable"', 'bold 16px "Bricolage Grotesque Variable"'].map((font) =>
        document.fonts.load(font),
      ),
    ).catch(() => undefined),
    new Promise((resolve) => setTimeout(resolve, FONTS)),
  ])

/** First whoever asks comes in, then what hangs on the workspace is asked for, then it is shown. */
async function begin(): Promise<void> {
  const root = createRoot(document.getElementById('root')!)
  const { entered } = await accessHere()
  if (!entered) {
    const { EnterView } = await import('../access/EnterView.tsx')
    await new Promise<void>((resolve) => root.render(<EnterView onEntered={resolve} />))
  }
  await Promise.all([applySettings(), keepWithWorkspace(), fonts()])
  followNews(store.dispatch)
  root.render(
    <StrictMode>
      <Provider store={store}>
        {/* A view that is gone to is shown at once: as a transition it may wait behind whatever else is drawn. */}
        <RouterProvider router={router} useTransitions={false} />
      </Provider>
    </StrictMode>,
  )
}

// Not awaited here: pieces that are loaded later wait for this file to have run.
void begin()

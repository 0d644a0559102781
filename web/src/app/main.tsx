import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { RouterProvider } from 'react-router'
import { keepWithWorkspace } from '../data/browserKept.ts'
import { applySettings } from './applySettings.ts'
import { router } from './routes.tsx'
import { store } from './store.ts'
import './styles.css'

await Promise.all([applySettings(), keepWithWorkspace()])
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
)

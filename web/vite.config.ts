import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

/**
 * What every view begins with is one file, and what most views share is another: a view is some ten requests and not sixty,
 * which cost more than the bytes they fetch.
 */
const codeSplitting = {
  groups: [
    { name: 'first', tags: ['$initial' as const], priority: 2 },
    { name: 'often', minShareCount: 24, priority: 1 },
  ],
}

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { chunkSizeWarningLimit: 700, rolldownOptions: { output: { codeSplitting } } },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
})

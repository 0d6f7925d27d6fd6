import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const apiPort = process.env.PORT ?? '4300'

/** What two views or more use comes in two files, not in a hundred: a first page asked for 115 before. What only one view uses comes with it. */
const shared = [
  { name: 'packages', test: /node_modules/, minShareCount: 2 },
  { name: 'shared', test: /src/, minShareCount: 2 }
]

export default defineConfig({
  root: 'src/web',
  plugins: [react()],
  html: { cspNonce: '__NONCE__' },
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    cssCodeSplit: false,
    chunkSizeWarningLimit: 700,
    rolldownOptions: { output: { codeSplitting: { groups: shared } } }
  },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '/api': { target: `http://127.0.0.1:${apiPort}` } } }
})

import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const apiPort = process.env.PORT ?? '4300'

/** The frame and Today come in one file; what other views share comes in two more, once they are asked for. */
const shared = [
  { name: 'first', tags: ['$initial' as const], priority: 2 },
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

import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const apiPort = process.env.PORT ?? '4300'

export default defineConfig({
  root: 'src/web',
  plugins: [react()],
  html: { cspNonce: '__NONCE__' },
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2022', assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '/api': { target: `http://127.0.0.1:${apiPort}` } } }
})

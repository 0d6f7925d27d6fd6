import { defineConfig } from 'vite'

/** Programs of the server: itself, and the thread that reckons calendars. */
const input = { main: 'src/server/main.ts', calendarThread: 'src/server/calendarThread.ts' }

export default defineConfig({
  // It names its files in a way that Node does not find.
  ssr: { noExternal: ['comlink'] },
  build: { ssr: true, outDir: 'dist/server', emptyOutDir: true, target: 'node20', rollupOptions: { input, output: { entryFileNames: '[name].js' } } }
})

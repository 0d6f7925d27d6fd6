import { defineConfig } from 'vite'

/** Programs of the server: itself, and the thread that reckons calendars. */
const input = { main: 'src/server/main.ts', calendarThread: 'src/server/calendarThread.ts' }

export default defineConfig({
  // comlink names its files in a way that Node does not find. Of the others a small part is used: the start reads only that.
  ssr: { noExternal: ['comlink', 'date-fns', '@date-fns/tz', 'zod', 'ical-generator'] },
  build: { ssr: true, outDir: 'dist/server', emptyOutDir: true, target: 'node20', rollupOptions: { input, output: { entryFileNames: '[name].js' } } }
})

import type { StartCode } from './start'

/** Problems of a kitchen's files, which a baker may meet in the browser first; the others are for whoever types the command. */
const OF_THE_KITCHEN: readonly StartCode[] = [
  'newer version',
  'folder not writable',
  'file not readable',
  'not a kitchen',
  'file gone',
  'damaged pages',
  'changed outside',
  'entries lost',
  'contents damaged',
  'disk full',
  'migration failed'
]

export const isOfTheKitchen = (code: StartCode): boolean => OF_THE_KITCHEN.includes(code)

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const escaped = (text: string) => text.replace(/[&<>"]/g, (character) => ENTITIES[character] ?? '')

/** What the house looks like, without any file of its own: the page stands also where nothing else can be read. */
const STYLE = `
  :root { color-scheme: light dark; --page: #f8f7fa; --card: #ffffff; --ink: #2b1d33; --line: #9a4a00; --tint: #f3edf8 }
  @media (prefers-color-scheme: dark) { :root { --page: #1c1512; --card: #271d18; --ink: #f3e6d6; --line: #e0a15a; --tint: #33261f } }
  body { margin: 0; padding: 24px; background: var(--page); color: var(--ink); font: 18px/1.5 system-ui, sans-serif }
  main { max-width: 720px; margin: 6vh auto; padding: 24px 28px; background: var(--card); border-left: 6px solid var(--line); border-radius: 12px }
  h1 { margin: 0 0 16px; font-size: 28px; line-height: 1.2 }
  p { margin: 0 0 12px; overflow-wrap: anywhere }
  pre { margin: 0 0 12px; padding: 12px 16px; background: var(--tint); border-radius: 8px; font-size: 17px; white-space: pre-wrap }`

/**
 * A page that says in the browser what the terminal says.
 * @param sentence of a start that could not be; lines that are set in are to be typed
 */
export function startPage(sentence: string): string {
  const lines = sentence.split('\n').map((line) => line.replace(/^ {2}/, ''))
  const body = lines.map((line) => (line.startsWith('    ') ? `<pre>${escaped(line.trim())}</pre>` : `<p>${escaped(line)}</p>`))
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Olvent: your kitchen was not opened</title><style>${STYLE}
</style></head>
<body><main><h1>Your kitchen was not opened</h1>
${body.join('\n')}
<p>Stop Olvent in its terminal with Ctrl+C, do there what is said above, and load this page again.</p>
</main></body></html>
`
}

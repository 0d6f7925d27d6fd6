/** Figures that a sentence of the start may name. */
export interface StartFigures {
  /** The data folder, or the file in question. */
  readonly folder?: string
  readonly kitchen?: string
  /** Newest copy that can be restored; null: there is none. */
  readonly copy?: { readonly path: string; readonly takenAt: string } | null
  readonly host?: string
  readonly port?: number
  readonly detail?: string
}

const FOLDER = (f: StartFigures) => f.folder ?? 'the data folder'

/** What is safe, where the last good copy is, and what to type. */
const WAYS_OUT = ({ copy }: StartFigures, otherwise = 'To open it as far as it can be read (it is copied to "set-aside" first):') =>
  [
    'Nothing was changed.',
    ...(copy === undefined || copy === null
      ? ['There is no copy that could be restored.']
      : [`The last good copy is from ${copy.takenAt}: ${copy.path}`, 'To go back to it:', '    npm run restore -- last']),
    otherwise,
    '    npm start -- --as-it-is'
  ].join('\n  ')

/** Why Olvent did not start, and what helps. */
const SENTENCES = {
  'port taken': (f: StartFigures) => `Port ${f.port} is taken. Perhaps Olvent is running already? Close it, or choose another: PORT=${(f.port ?? 0) + 1}.`,
  'port not allowed': (f: StartFigures) => `Port ${f.port} may not be opened by this user. Choose one above 1024, for example PORT=4300.`,
  'no such address': (f: StartFigures) => `This machine has no address ${f.host}. Leave HOST away, or give one it has.`,
  'no passphrase': (f: StartFigures) =>
    `HOST=${f.host} would open your kitchen to everyone on the network, and it has no passphrase yet.\n  Set one with: npm run passphrase\n  Or let Olvent ask for it: npm start -- --home`,
  'in use': (f: StartFigures) =>
    `Olvent is running already with this kitchen: ${FOLDER(f)}\n  Stop that one first (Ctrl+C in its window), or give this one another folder: OLVENT_DATA=…`,
  'not the demo': (f: StartFigures) =>
    `This folder holds your own kitchen, "${f.kitchen}": ${FOLDER(f)}\n  The demo is never laid over it, and nothing was changed. Open your kitchen with npm start, or run the demo without OLVENT_DATA.`,
  'fresh is for the demo': () => '--fresh lays the demo kitchen again and does nothing to your own. Run: npm run demo -- --fresh',
  'newer version': (f: StartFigures) =>
    `This kitchen was last opened by a newer Olvent (it knows "${f.detail}", this one does not): ${FOLDER(f)}\n  It was not changed. Open it with the newer version, or restore a copy from before: npm run restore -- last`,
  'folder not writable': (f: StartFigures) => `Olvent may not write into ${FOLDER(f)}. Give this user the right to, or choose another folder: OLVENT_DATA=…`,
  'not a folder': (f: StartFigures) => `${FOLDER(f)} is no folder. Choose another: OLVENT_DATA=…`,
  'file not readable': (f: StartFigures) => `Olvent may not read and write ${FOLDER(f)}. Give this user the right to; nothing was changed.`,
  'not a kitchen': (f: StartFigures) =>
    `This is not a kitchen of Olvent: ${FOLDER(f)}\n  Nothing was changed. Move the file away, or choose another folder: OLVENT_DATA=…`,
  'file gone': (f: StartFigures) => `The file of your kitchen is missing: ${FOLDER(f)}\n  ${WAYS_OUT(f, 'To begin with an empty kitchen instead:')}`,
  'damaged pages': (f: StartFigures) => `The file of your kitchen is damaged (${f.detail}): ${FOLDER(f)}\n  ${WAYS_OUT(f)}`,
  'changed outside': (f: StartFigures) =>
    `The file of your kitchen is not as Olvent left it: the disk has damaged it, or another program has changed it: ${FOLDER(f)}\n  ${WAYS_OUT(f)}`,
  'entries lost': (f: StartFigures) => `The last ${f.detail} written to your kitchen can no longer be read: ${FOLDER(f)}\n  ${WAYS_OUT(f)}`,
  'contents damaged': (f: StartFigures) => `Some entries of your kitchen cannot be right (${f.detail}): ${FOLDER(f)}\n  ${WAYS_OUT(f)}`,
  'disk full': (f: StartFigures) => `The disk is full, so Olvent cannot open ${FOLDER(f)}. Make some room and start again; nothing was changed.`,
  'migration failed': (f: StartFigures) =>
    `Your kitchen could not be brought to this version (${f.detail}). It is as it was before: ${FOLDER(f)}\n  ${WAYS_OUT(f)}`,
  'no file': (f: StartFigures) => `Give the file: ${f.detail}`,
  'not brought in': (f: StartFigures) => f.detail ?? '',
  'kitchen in use': (f: StartFigures) =>
    `This folder holds the kitchen "${f.kitchen}" already: ${FOLDER(f)}\n  To add the file to it, add --add; to put the file in its place, --replace. A copy of your kitchen is kept first.`,
  'no copy': (f: StartFigures) => `There is no copy to restore: ${FOLDER(f)}`,
  'bad copy': (f: StartFigures) => `This copy cannot be used (${f.detail}): ${FOLDER(f)}\n  Your kitchen was not changed.`
} satisfies Record<string, (figures: StartFigures) => string>

export type StartCode = keyof typeof SENTENCES

/**
 * The sentence for whoever started the program.
 * @param code why it did not start
 * @param figures what the sentence names
 */
export function startSentence(code: StartCode, figures: StartFigures): string {
  return SENTENCES[code](figures)
}

/** What is said in the terminal: at a start, and by the commands of the README. */
export const TERMINAL = {
  aPassphrase: '  A passphrase for this kitchen (four or five words are good): ',
  theSameAgain: '  The same again: ',
  theTwoDiffer: 'The two differ. Nothing was set.',
  thisPassphraseCannotBeUsed: 'This passphrase cannot be used.',
  portHasToBe: (port: string) => `PORT has to be a whole number from 0 to 65535, not "${port}".`,
  nowHasToBe: (instant: string) => `OLVENT_NOW has to be an instant like 2026-11-27T07:40:00Z, not "${instant}".`,
  sameAtAddress: (problem: string, address: string) => `${problem}\n\n  The same is told at ${address}. Stop Olvent with Ctrl+C.`,
  newKitchen: 'A new, empty kitchen',
  madeUpKitchen: (name: string) => `${name} (made up, to try things in)`,
  yourKitchen: (name: string) => `Your kitchen "${name}"`,
  onYourPhone: (addresses: string) => `\n  On your phone, with the passphrase: ${addresses}`,
  ready: (address: string, elsewhere: string, kitchen: string, folder: string) =>
    `Olvent is ready: ${address}${elsewhere}\n  ${kitchen}, kept in ${folder}. Stop it with Ctrl+C.`,
  restored: (copy: string, aside: string) =>
    `The kitchen is as it was in ${copy}.\n  What was there before is kept in ${aside}. Start Olvent again with npm start.`,
  takenAlong: (path: string) => `Everything of your kitchen is in ${path}`,
  yoursStayed: (names: string) => ` Yours stayed of: ${names}.`,
  added: (theirs: string, yours: string, stayed: string) => `"${theirs}" is now part of "${yours}".${stayed}`,
  broughtIn: (kitchen: string, folder: string, jars: number, bakes: number, pictures: number) =>
    `"${kitchen}" is in ${folder}: ${jars} jars, ${bakes} bakes, ${pictures} pictures. Open it with npm start.`
} as const

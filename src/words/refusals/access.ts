/** What is said at the door: of the passphrase, pairing codes and devices that are in. */
export const REFUSE_ACCESS = {
  noPassphraseHasBeenSet: 'No passphrase has been set yet. On the computer that runs Olvent, type: npm run passphrase',
  thatNotPassphraseSmallAnd: 'That is not the passphrase. Small and capital letters count.',
  signInWithPassphraseThis: 'Sign in with the passphrase of this kitchen.',
  thisDeviceHasTooMany: 'This device has too many windows of Olvent open. Close some.',
  thisCodeHasBeenUsed: 'This code has been used or is older than five minutes. Show a new one on the other device.',
  thatWasWrongTooOften: (inWords: string) => `That was wrong too often. Try again in ${inWords}.`
} as const

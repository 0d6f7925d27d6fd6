/** What is said before a request reaches the records. */
export const REFUSE_ROUTES = {
  typePresentPassphraseToo: 'Type the present passphrase, too.',
  whereCopiesAreKeptSet: 'Where copies are kept is set on the computer that runs Olvent.',
  thisFileLargerThanGb: 'This file is larger than 2 GB. Bring it in with: npm run import -- file',
  olventCannotKeepThisPicture: 'Olvent cannot keep this picture. Use a JPEG, PNG or WebP of up to 50 million dots.',
  olventCannotKeepThisPicture2: 'Olvent cannot keep this picture. Use a JPEG, PNG or WebP.',
  picturesThisKitchenFillGb: 'The pictures of this kitchen fill 4 GB, which is all they may. Nothing was stored.'
} as const

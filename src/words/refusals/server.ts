/** What whoever asks the server is told before anything of the kitchen is looked at. */
export const REFUSE_SERVER = {
  thatWasVeryManyRequests: 'That was very many requests at once. Wait a minute and try again.',
  thisTextHoldsCharacterThat: 'This text holds a character that cannot be kept. Nothing was stored.',
  olventAnswersOnlyToOwn: 'Olvent answers only to its own address. To open it under another name, list that name in OLVENT_HOSTS.',
  olventHasNothingAtThis: 'Olvent has nothing at this address.',
  kitchenWasNotOpenedOlvents: 'The kitchen was not opened. Olvent’s window in the terminal says why.',
  notInThisKitchenMay: (what: string) => `${what} is not in this kitchen. It may have been taken away in another window.`,
  thisCouldNotBeUnderstood: 'This could not be understood.',
  somethingWentWrongInOlvent: 'Something went wrong in Olvent itself. Nothing was stored; please try again.',
  diskOlventsComputerFullSo: 'The disk of Olvent’s computer is full, so nothing was stored. Make some room there and try again.',
  thisMoreThanOlventTakes: 'This is more than Olvent takes at once. Nothing was stored.',
  thisNotReadableJsonNothing: 'This is not readable JSON. Nothing was stored.',
  thisRequestCouldNotBe: 'This request could not be understood.'
} as const

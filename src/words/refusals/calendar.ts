/** What is said when a calendar address is refused. */
export const REFUSE_CALENDAR = {
  byWhatYouHaveSeen: 'By what you have seen so far. Look at the levain before you mix.',
  thisAddressWasWithdrawnMake: 'This address was withdrawn. Make another one.'
} as const

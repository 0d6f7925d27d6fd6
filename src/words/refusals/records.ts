/** What is said when any entry is refused. */
export const REFUSE_RECORDS = {
  thisIdBelongsToSomething: 'This id belongs to something else that was sent before. Nothing was changed.',
  thisHasBeenTakenBack: 'This has been taken back already.',
  chooseFlour: 'Choose a flour.',
  noteLevelOrAtLeast: 'Note the level, or at least one thing you saw.',
  atMostGAreThere: (grams: number) => `At most ${grams} g are there.`
} as const

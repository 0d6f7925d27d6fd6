/** What is said when a copy, or a file that was taken along, is refused. */
export const REFUSE_KEEPING = {
  thisFileCannotBeBrought: (why: string) => `This file cannot be brought in: ${why} Nothing was changed.`,
  itCannotBeRead: 'it cannot be read.',
  itIsNoZipFile: 'it is no zip file.',
  itIsTooLarge: 'it is larger than 4 GB.',
  itIsNoKitchen: 'it is no kitchen of Olvent.',
  itIsNewer: 'it was made by a newer Olvent. Bring this one up to date first.',
  aPictureIsNone: 'one of its pictures is none.',
  aPictureIsDamaged: 'one of its pictures is damaged.',
  shouldHoldPicturesAndHolds: (pictures: number, found: number) => `it should hold ${pictures} pictures and holds ${found}.`,
  lineCannotBeRead: (count: number, table: string) => `line ${count} of "${table}" cannot be read.`,
  lineAnotherShape: (count: number, table: string) => `line ${count} of "${table}" is of another shape.`,
  shouldHoldRowsAndHolds: (table: string, expected: number, count: number) => `"${table}" should hold ${expected} rows and holds ${count}.`,
  lineTooLong: (table: string) => `a line of "${table}" is too long.`,
  rowsBelongToNothing: (count: number) => `${count} rows belong to nothing.`,
  giveWholePathFolderBeginning: 'Give the whole path of the folder, beginning with /.',
  thisNotWholePath: 'This is not a whole path.',
  noCopyCouldBeMade: (message: string) => `No copy could be made there: ${message}. Copies stay where they were.`,
  sayFirstWhichOneCounts: (open: string) => `Say first which one counts: ${open}.`,
  theseChoicesDoNotFit: (detail: string) =>
    `These choices do not fit together: ${detail}. Take the same side for things that were used together. Nothing was changed.`
} as const

export const QUESTIONS_ROOM = {
  title: 'Questions',
  others: 'Other questions',
  protein: 'Protein in a serving',
  serving: 'A serving weighs',
  proteinShare: 'protein'
} as const

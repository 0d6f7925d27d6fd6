export const QUESTIONS_ROOM = {
  title: 'Questions',
  others: 'Other questions',
  proteinShare: 'protein'
} as const

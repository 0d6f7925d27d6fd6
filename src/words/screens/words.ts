export const WORDS_ROOM = {
  words: 'Bakers’ words',
  underlined: 'Where one of these is underlined with dots, tap it to read what it means.'
} as const

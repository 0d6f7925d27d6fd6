import { type StartCode, type StartFigures, startSentence } from '../words'

/** A start that cannot be, with a sentence for whoever started the program. */
export class StartProblem extends Error {
  constructor(
    readonly code: StartCode,
    figures: StartFigures = {}
  ) {
    super(startSentence(code, figures))
  }
}

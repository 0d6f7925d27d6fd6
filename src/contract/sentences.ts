import type { BuildProblem, DoughProblem, Problem, TimingProblem } from '../core'

const percent = (share: number | undefined) => `${Math.round((share ?? 0) * 1000) / 10} %`
const figure = (value: number | undefined) => String(Math.ceil((value ?? 0) * 10) / 10)

/** Why a dough or build cannot be, and what would help. */
const SENTENCES: Readonly<Record<DoughProblem | BuildProblem | TimingProblem, (values: Readonly<Record<string, number>>) => string>> = {
  'not a number': () => 'One of the figures is missing or not a number.',
  'dough mass': () => 'There is no dough yet: give the pieces a count and a weight.',
  'levain wetter than dough': (v) =>
    `So much levain at ${percent(v.levainHydration)} hydration brings more water than a dough of ${percent(v.hydration)} may hold. Take less levain, a stiffer one, or a wetter dough.`,
  'levain above all flour': () => 'The levain would hold more flour than the whole dough. Take less levain.',
  'no flour': () => 'There is no flour in this dough.',
  'extras too salty': (v) => `The other ingredients already bring more than ${percent(v.salt)} salt. Ask for more salt or take less of them.`,
  'seed too wet': (v) => `The seed is too wet for so stiff a levain. Take at least ${figure(v.leastFlourPerSeed)} parts of flour to one of seed.`,
  'never ripe': (v) => `At ${figure(v.tempC)} °C this build does not get ripe within ten days. A warmer place would help.`
}

/**
 * The sentence for a problem of the core.
 * @param problem code and figures
 */
export function problemSentence(problem: Problem<DoughProblem | BuildProblem | TimingProblem>): string {
  return SENTENCES[problem.code](problem.values)
}

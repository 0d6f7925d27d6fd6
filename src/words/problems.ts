import type { BakeProblem, CellProblem, Problem } from '../core'

const percent = (share: number | undefined) => `${Math.round((share ?? 0) * 1000) / 10} %`
const figure = (value: number | undefined) => String(Math.ceil((value ?? 0) * 10) / 10)

type AnyProblem = BakeProblem | CellProblem

/** Why a dough or build cannot be, and what would help. `about` is the name of the line or ingredient. */
const SENTENCES: Readonly<Record<AnyProblem, (values: Readonly<Record<string, number>>, about: string) => string>> = {
  'not a number': () => 'A figure of this dough is missing or not a number. Fill in every size and percentage.',
  'dough mass': () => 'There is no dough yet: give it a size.',
  'levain wetter than dough': (v) =>
    v.levainHydration === 0 || v.levainHydration === undefined
      ? `The other ingredients bring more water than a dough of ${percent(v.hydration)} may hold. Take less of them, or a wetter dough.`
      : `So much levain at ${percent(v.levainHydration)} hydration brings more water than a dough of ${percent(v.hydration)} may hold. Take less levain, a stiffer one, or a wetter dough.`,
  'levain above all flour': () => 'The levain would hold more flour than the whole dough. Take less levain.',
  'no flour': () => 'There is no flour in this dough.',
  'extras too salty': (v) => `The other ingredients already bring more than ${percent(v.salt)} salt. Ask for more salt or take less of them.`,
  'pre-ferment takes too much': (_, about) => `The pre-ferments take more ${about} than this dough has. Make them smaller.`,
  'pre-ferment flour missing': (_, about) => `A pre-ferment wants ${about}, which is not among the flours of this dough. Add it there, or take another flour.`,
  'pre-ferment cannot be': (_, about) => `${about} holds nothing, or an ingredient that this kitchen does not have.`,
  'unknown ingredient': () => 'One of the ingredients is not in this kitchen any more. Choose another, or take the line out.',
  'not to be scaled': (_, about) => `Nothing of ${about} is in this dough, so its size cannot be worked out from it.`,
  'water held back': (v) => `${percent(v.heldBack)} of water cannot be held back: only ${percent(v.water)} is added at the mix.`,
  'out of reach': (_, about) => `No share of ${about} gives that. Try a smaller figure, or change the size of the dough.`,
  'only flour': () => 'This is the only flour, so it makes up all that the levain leaves. Add another flour first.',
  'seed too wet': (v) => `The starter is too wet for so stiff a levain. Take at least ${figure(v.leastFlourPerSeed)} parts of flour to one part of starter.`,
  'seed is enough': (v) =>
    `${Math.round(v.seedGrams ?? 0)} g of starter is as much as the whole levain (${Math.round(v.totalGrams ?? 0)} g). Take less starter, or use the jar as it is.`,
  'amounts too small': (v) =>
    `These amounts make ${Math.round(v.madeGrams ?? 0)} g, and ${Math.round(v.totalGrams ?? 0)} g are needed with what sticks. Give more flour and water, or make the dough smaller.`,
  'never ripe': (v) => `At ${figure(v.tempC)} °C this levain does not get ripe within ten days. A warmer place would help.`,
  'no levain': () => 'This dough has no levain yet. Add a levain line and give it a share.',
  'gluten in it': () =>
    'This dough is marked gluten-free, and something in it holds gluten: a flour, a malt, its levain or its starter. Take that out, or change the kind of dough.',
  'levain flour missing': () => 'The flour of the levain is not in this kitchen any more. Choose another.'
}

/**
 * The sentence for a problem of the core.
 * @param problem code and figures
 * @param nameOf name of the line or ingredient it is about
 */
export function problemSentence(problem: Problem<AnyProblem>, nameOf: (id: string) => string | undefined = () => undefined): string {
  const about = problem.about === undefined ? undefined : nameOf(problem.about)
  return SENTENCES[problem.code](problem.values, about ?? 'it')
}

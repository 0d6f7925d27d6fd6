import type { CauseCode, Symptom } from '../core'

/** Symptoms as a baker says them. */
export const SYMPTOM_WORDS: Readonly<Record<Symptom, string>> = {
  'no rise': 'it does not rise',
  hooch: 'dark liquid on it',
  'solvent smell': 'smells of solvent',
  skin: 'a dry skin',
  'falls early': 'always falls early',
  'rises, bread does not': 'it rises, the bread does not',
  'pink or fuzzy': 'pink, orange or fuzzy'
}

/** Causes: what it is, and what to do. */
export const CAUSE_WORDS: Readonly<Record<CauseCode, { readonly says: string; readonly act: string }>> = {
  'too cold': { says: 'It stands too cold', act: 'Move it to 24–26 °C and give it time: at 16 °C everything takes three times as long.' },
  'mixed too hot': { says: 'It was mixed too hot', act: 'Above 40 °C the culture dies. Start again from the jar, with water you have measured.' },
  'still waking': {
    says: 'The starter had slept, and is still waking',
    act: 'Wait as long again as you have waited. Next time give the jar a wake-up feed first.'
  },
  'weak culture': {
    says: 'The culture has become weak',
    act: 'Feed it 1:1:1 and then 1:2:2, each at its top, some of it wholegrain, until it doubles in good time.'
  },
  'little old for much new': { says: 'Little starter for so much flour', act: 'It only takes longer. Wait, or use a smaller ratio next time.' },
  'salt in it': { says: 'There is salt in it', act: 'Salt slows it. Wait longer, or build without salt.' },
  'just looked too soon': { says: 'It is simply early', act: 'Look again in an hour or two.' },
  hungry: { says: 'It has eaten everything', act: 'Pour the liquid off or stir it in, and feed it now, at least 1:2:2.' },
  'too long between feeds': { says: 'Too long since its last feed', act: 'Feed it more often, or keep it colder between feeds.' },
  'too warm': { says: 'It stands too warm', act: 'Below 27 °C it lasts longer; or give it more flour each time.' },
  'fed too little': { says: 'It gets too little flour for so much old starter', act: 'Keep less of it: 1:3:3 or more.' },
  'dries at the top': { says: 'Air gets at it', act: 'Take the skin off, put the lid on loosely, leave less air above it. What is under the skin is good.' },
  'firm and open': { says: 'A firm one dries quickly', act: 'Oil its top lightly or keep it under water; cut the crust away before you feed it.' },
  'too wet to hold': { says: 'It is too wet to hold its gas', act: 'Make it firmer: 100 % or less holds longer.' },
  'much acid': { says: 'Acid eats its strength', act: 'Keep less of it, feed higher and stand it cooler; two feeds at the top mend it.' },
  'used past its peak': { says: 'The levain was used past its top', act: 'Mix at the top: watch for the first dimples.' },
  'mixed too young': {
    says: 'The levain was used too young',
    act: 'Mix it later, at the top; or leave the dough longer: a young levain raises it, only slower.'
  },
  'dough too cold or too short': {
    says: 'The dough was too cold, or had too little time',
    act: 'Measure the dough after mixing, and go by its rise, not by the clock.'
  },
  'too much salt in the dough': { says: 'Too much salt', act: 'Look at the dough’s salt under Recipe: 1.8–2.2 % is usual.' },
  mould: { says: 'It is spoilt', act: 'Throw all of it away, do not scoop; wash the jar with hot water and soap.' }
}

/** What to begin again from. @param spares names of the other jars of its family */
export const againFrom = (spares: readonly string[]): string =>
  spares.length === 0 ? 'There is no other jar of it here: begin a new culture, or ask another baker for some.' : `Begin again from ${spares.join(' or ')}.`

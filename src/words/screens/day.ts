export const DAY_ROOM = {
  thisBakeCouldNotBe: 'This bake could not be opened',
  allBakes: 'All bakes',
  starterFlourWater: (mass: string, mass2: string, mass3: string) => `${mass} of starter, ${mass2} of flour, ${mass3} of water`,
  waterAt: (temperature: string) => `; water at ${temperature}`,
  print: 'Print',
  calendarFile: 'Calendar file',
  backToPlan: 'Back to Plan',
  as: (sizeWords: string, name: string, dayTime: string) => `${sizeWords} · ${name} · as of ${dayTime}`,
  asleep: (nights: string) => `Asleep: ${nights}.`,
  holds: (allergens: string) => `Holds ${allergens}.`,
  rawDoughNotEatenGo: 'Raw dough is not eaten. Go by the levain and the dough, not by the paper, when the kitchen is colder or warmer.',
  day: (name: string) => `The day of ${name}`
} as const

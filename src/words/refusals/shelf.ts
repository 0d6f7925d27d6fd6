/** What is said when something of the shelf or a recipe is refused. */
export const REFUSE_SHELF = {
  thisRecipeWasChangedIn: 'This recipe was changed in another window. What it has now is shown.',
  ingredientHasAnotherIdThan: 'The ingredient has another id than its address.',
  thisIngredientWasChangedIn: 'This ingredient was changed in another window. What it has now is shown.',
  oneFloursThisBlendNot: 'One of the flours of this blend is not in this kitchen any more. Choose another.',
  blendItselfMakeBlendSingle: (name: string) => `${name} is a blend itself. Make the blend of single flours.`,
  noBlend: (name: string) => `${name} is no blend.`,
  vesselHasAnotherIdThan: 'The vessel has another id than its address.',
  thisVesselWasChangedIn: 'This vessel was changed in another window. What it has now is shown.'
} as const

/** What is said when something of the kitchen is refused. */
export const REFUSE_KITCHEN = {
  thisKitchenHasBeenSet: 'This kitchen has been set up already, perhaps in another window.',
  thisKitchenHasNotBeen: 'This kitchen has not been set up yet: answer the four questions first.',
  thisPlaceNotInKitchen: 'This place is not in the kitchen any more. Choose another.',
  choosePlace: 'Choose a place.',
  kitchenWasChangedInAnother: 'The kitchen was changed in another window. Both versions are shown; choose one.'
} as const

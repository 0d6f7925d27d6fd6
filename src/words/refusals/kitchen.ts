/** What is said when something of the kitchen is refused. */
export const REFUSE_KITCHEN = {
  thisKitchenHasBeenSet: 'This kitchen has been set up already, perhaps in another window.',
  thisKitchenHasNotBeen: 'This kitchen has not been set up yet: answer the first questions.',
  thisPlaceNotInKitchen: 'This place is not in the kitchen any more. Choose another.',
  sayWhereElse: 'Say where else the jar stands, and how warm it is there.',
  choosePlace: 'Choose a place.',
  kitchenWasChangedInAnother: 'The kitchen was changed in another window. Both versions are shown; choose one.'
} as const

import { counted, type Said } from '../figures';

/** Of `AcceptedPlan.svelte`. */
export const acceptedPlan = {
  theAcceptedPlan: 'The accepted plan',
  withdrawIt: 'Withdraw it',
  sinceItWasAcceptedThe: (hasChangedSincePlan: boolean) =>
    `${hasChangedSincePlan ? 'Since it was accepted, the survey or the needs have changed: another plan is now best.' : 'By its score another plan is better than this one.'} Withdraw the accepted one to see it.`,
};

/** Of `Alternatives.svelte`. */
export const alternatives = {
  otherPlans: 'Other plans',
  whichPlanIsShown: 'Which plan is shown',
  whatDiffersAndWhatEach: 'What differs, and what each delivers for its price',
};

/** Of `CardTable.svelte`. */
export const cardTable = {
  everyCardInEverySlot: 'Every card in every slot',
  searchCards: 'Search cards',
  namePlugBusIdentity: 'Name, plug, bus, identity … ( / )',
  kindOfCard: 'Kind of card',
  kindsNeeded: 'kinds needed',
  allKinds: 'all kinds',
  order: 'Order',
  goesInSomewhere: 'goes in somewhere',
  meetsANeedAlone: 'meets a need alone',
  comparingOfCardsDragOne: (sorted: number, rows: boolean, cards: Said) =>
    `${rows ? 'Comparing' : sorted} of ${cards} cards. Drag one onto a slot, or T tries it where it does best, and again in the next.`,
  card: 'Card',
  price: 'Price',
  gives: 'Gives',
  onTrial: 'on trial',
  plannedIn: (planned = '') => `planned in ${planned}`,
  inTheDrawer: 'in the drawer',
  days: (leadDays: Said) => `${leadDays} days`,
  short: ', short',
  meetsNoneAlone: 'meets none alone',
  meetsOf: (meets: number, needs: number) => `meets ${meets} of ${needs}`,
  in: (card: Said, label: Said) => `${card} in ${label}`,
  eachCardIsTriedIn: 'Each card is tried in each slot.',
  noCardMatchesFewerWords: 'No card matches. Fewer words, or another kind.',
  onlyTheFirst: (shownAtOnce: Said) => `Only the first ${shownAtOnce}`,
  all: (sorted: number) => `All ${sorted}`,
  bestForThisJobFirst: 'best for this job first',
  whatGivesMostFirst: 'what gives most first',
  cheapestFirst: 'cheapest first',
  quickestHereFirst: 'quickest here first',
  byName: 'by name',
  clear: 'Clear what is searched for',
};

/** Of `ChooseStage.svelte`. */
export const chooseStage = {
  theSupplierOrTheDriver: 'The supplier or the driver library cannot be reached.',
  whatWasKeptFromLast: 'What was kept from last time is used; driver verdicts may be missing.',
  nothingToPlanForYet: 'Nothing to plan for yet',
  surveyTheMachineFirstWithout: 'Survey the machine first: without slots no card has a place.',
  toTheSurvey: 'To the survey',
  noCatalogueYet: 'No catalogue yet',
  cardsComeFromTheSupplier:
    'Cards come from the supplier the first time; after that they are kept in this browser.',
  tryAgain: 'Try again',
  fetchingTheCatalogue: 'Fetching the catalogue',
  choose: 'Choose',
  whatEachNeedGets: 'What each need gets',
  partsOfChoosing: 'Parts of choosing',
  plan: 'Plan',
  cards: 'Cards',
  links: 'Links',
  power: 'Power',
  whatIf: 'What if',
  thePlan: 'The plan',
  layingOutTheCards: 'Laying out the cards',
};

/** Of `Clash.svelte`. */
export const clash = {
  whyNotEverythingFits: 'Why not everything fits',
  findingOutWhatConflicts: 'Finding out what conflicts',
  theseDoNotGoTogether: (sets: Said) =>
    `${sets}These do not go together; without any one of them the rest does:`,
  anyOneOfTheseWould: 'Any one of these would solve it',
  seeItFirst: 'See it first',
  buyIt: 'Buy it',
  doIt: 'Do it',
  noSingleChangeThatTenant: 'No single change that Tenant knows of solves it.',
  thePlanThenCosts: (parts: Said) => `the plan then costs ${parts}`,
  priceNotKnownThePlan: (parts: Said) => `price not known, the plan then costs ${parts}`,
  costsThePlanThenCosts: (cents: Said, parts: Said) =>
    `costs ${cents}; the plan then costs ${parts}`,
};

/** Of `Findings.svelte`. */
export const findings = {
  tell: 'Tell',
  correct: 'Correct',
  findings: 'Findings',
  selectACardToSee: 'Select a card to see it laid over every slot of the board.',
  isLaidOverTheBoard: (card: Said) =>
    `${card} is laid over the board. Select a slot to read why, or drag the card onto one.`,
  in: (question: Said, card: Said, label: Said) => `${question}${card} in ${label}`,
  withWhatCatch: 'With what catch? ',
  whatDoesItTake: 'What does it take? ',
  whatIsNotKnown: 'What is not known? ',
  whyNotHere: 'Why not here? ',
};

/** Of `LinksPicture.svelte`. */
export const linksPicture = {
  noNeedHereIsA:
    'No need here is a rate over a link: nothing flows that could be drawn. Network, USB, drives and Wi-Fi are drawn once a plan or a trial serves them.',
  howTheNeedsAreUsed: 'How the needs are used',
  eachAlone: 'Each alone',
  together: 'Together',
  eachNeedByItselfNeeds:
    'Each need by itself. Needs of the same group, told in Needs, are also reckoned together.',
  over: (providerName: Said) => `over ${providerName}`,
  theTableBelowHasEvery: (kindWords: Said, bandWords: Said, per: Said) =>
    `${kindWords}: ${bandWords}${per}; the table below has every stage`,
  limits: ' – limits',
  atWorst: ' – at worst',
  gbInFiles: (gigabytes: number, files: string, times = '') =>
    `· ${gigabytes} GB in ${files} files: ${times}`,
  aCopyOf: 'A copy of',
  gb: 'GB',
  in: 'in',
  files: 'files',
  allStagesAsATable: 'All stages as a table',
  allStages: 'All stages',
  need: 'Need',
  stage: 'Stage',
  carries: 'Carries',
  shared: 'Shared',
  alone: 'Alone',
  no: 'no',
  yes: 'yes',
  theBoardItself: 'the board itself',
  in2: (card: Said, label: Said) => `${card} in ${label}`,
  eachAtOnce: (streamsOf: Said) => ` each, ${streamsOf} at once`,
  ofTheWanted: (high: Said, wanted: Said) => ` – ${high} % of the ${wanted} wanted`,
  alone2: (bandWords: Said) => `; alone ${bandWords}`,
  to: (leastSeconds: Said, mostSeconds: Said) => `${leastSeconds} to ${mostSeconds}`,
};

/** Of `NeedStrip.svelte`. */
export const needStrip = {
  needs: 'Needs',
  noNeedsYetThePlanner: 'No needs yet: the planner has nothing to plan for.',
  toTheNeeds: 'To the needs',
  nice: ' – nice',
  metByTheMachineAs: 'met by the machine as it is',
  notKnown: 'not known',
  nothingServesItYet: 'nothing serves it yet',
  of: (least: number, wanted: number) => `${least} of ${wanted}`,
  upTo: (figure: string) => `up to ${figure}`,
  served: 'served',
};

/** Of `Pins.svelte`. */
export const pins = {
  fixedChoices: 'Fixed choices',
  cannotBeKept: 'cannot be kept',
  costsAsWithoutIt: (differenceWords: Said, cents: boolean) =>
    `costs ${differenceWords}${cents ? ' as without it' : ' than without it'}`,
  dropTheFixedChoice: (words: Said) => `Drop the fixed choice: ${words}`,
  takeBack: 'Take back',
  whyNotInY: (card: Said, label: Said) => `Why not ${card} in ${label}? (Y)`,
  chooseACardAndA:
    'Choose a card and a slot to fix that it goes there, or to ask why the plan does not have it.',
  in: (card: Said, label: Said) => `${card} in ${label}:`,
  itCannotGoThere: (why: string | null) =>
    `it cannot go there. ${why ?? 'Another fixed choice keeps it out.'}`,
  thePlanWouldCountThe: 'the plan would count the same.',
  withItTheBestPlan: (differenceWords: Said) => `with it the best plan counts ${differenceWords}.`,
  itWouldDoWithout: (displaced: Said) => `It would do without ${displaced}.`,
  itWouldLeave: (left: Said) => `It would leave: ${left}.`,
};

/** Of `PlanBox.svelte`. */
export const planBox = {
  notKnownYetFindOut: (unknownTopics: Said) => `Not known yet; find out first: ${unknownTopics}.`,
  noPlanServesAnything: 'No plan serves anything',
  bestPlanForAllNeeds: 'Best plan for all needs together',
  acceptItWithoutThatA: 'Accept it without that (A)',
  acceptThisPlanA: 'Accept this plan (A)',
  provenOnWhatIsKnown: (unknown: number, isBest: boolean) =>
    `Proven${unknown > 0 ? ' on what is known' : ''}: no plan is better ${isBest ? '' : 'in that '}by the weights below.`,
  notProvenStoppedWhileA:
    'Not proven: stopped while a plan that leaves fewer musts was still possible.',
  notProvenStoppedAnotherPlan: (score: Said) =>
    `Not proven: stopped. Another plan could count ${score} less at most.`,
  partialPlansExamined: (searched: Said) => `${searched} partial plans examined.`,
  thereIsNothingToPlan: 'There is nothing to plan for.',
  thePlannerStopped: (failed: Said) => `The planner stopped: ${failed}`,
  stoppedBeforeAFirstPlan: 'Stopped before a first plan was found.',
  noPlanYet: 'No plan yet.',
  planAgain: 'Plan again',
  out: 'out',
  isRemovedFrom: (occupant: Said, label: Said) => `${occupant} is removed from ${label}`,
  movesFromTo: (card: Said, label: Said, label2: Said) =>
    `${card} moves from ${label} to ${label2}`,
  inKeptForLaterToday: (label: Said, priceCents: Said, isLater: boolean) =>
    `in ${label}${isLater ? `: kept for later, ${priceCents} today` : ''}`,
  notInTheCatalogue: ' (not in the catalogue)',
  forTheMachine: (extraKindWords: Said, maker: Said, model: Said) =>
    `${extraKindWords} for the machine: ${maker} ${model}`,
  itIsThereAlready: 'It is there already',
  theMachineMeetsEveryNeed: 'The machine meets every need as it stands: no card is bought.',
  noCardCanServeAny: 'No card can serve any of the needs in this machine. The reasons are below.',
  laterAtTodaysPrices: (later: Said) => `· ${later} later, at today’s prices`,
  budget: (budgetCents: Said) => `· budget ${budgetCents}`,
  overTheBudget: (money: Said) => `${money} over the budget`,
  mustNotMet: 'Must not met',
  wishNotMet: 'Wish not met',
  whyNotTheOtherCards: (refusals: number) => `Why not the other ${refusals} cards of these kinds`,
  theCard: 'the card',
};

/** Of `PlansBeside.svelte`. */
export const plansBeside = {
  priceOfEachPlanAgainst:
    'Price of each plan against what it delivers; the figures stand in the table below',
  priceBeforeTax: 'price before tax',
  deliveredOfWhatTheFastest: 'delivered, of what the fastest cards would',
  budget: 'budget',
  whatDiffersBetweenThePlans: 'What differs between the plans',
  whatDiffers: 'What differs',
  in: (card: Said, label: Said) => `${card} in ${label}`,
  to: (card: Said, label: Said) => `${card} to ${label}`,
  cards: 'Cards',
  left: 'Left',
  score: 'Score',
  nothing: 'nothing',
};

/** Of `PowerPicture.svelte`. */
export const powerPicture = {
  wattsAgainstEveryLimit: 'Watts against every limit',
  noCardIsPlannedOr: 'No card is planned or on trial; only what is there already loads the supply.',
  wattsDrawn: 'Watts, drawn',
  ofAnUnknownLimitToo: ({
    total,
    limitWatts,
    over,
  }: {
    total: Said;
    limitWatts: string | null;
    over: boolean;
  }) => `${total} of ${limitWatts ?? 'an unknown limit'}${over ? ', too much' : ''}`,
  theSameAsATable: 'The same as a table',
  limit: 'Limit',
  loadedBy: 'Loaded by',
  w: 'W',
  of: 'of',
  whatIsThere: 'what is there',
  nothing: 'nothing',
  isTheSupplyLargeEnough: 'Is the supply large enough? Three answers',
  of2: (neededWatts: Said, availableWatts: Said) => `${neededWatts} of ${availableWatts}`,
  enough: 'enough',
  notKnown: 'not known',
  tooSmall: 'too small',
  slot: 'Slot',
  plug: 'Plug',
  lead: 'Lead',
  supply: 'Supply',
  theMakersFigure: 'The maker’s figure',
  whatTheCardsMakersAsk: 'what the cards’ makers ask, against the label',
  addingUpTheLoads: 'Adding up the loads',
  withAQuarterOfHeadroom: 'with a quarter of headroom, against 12 V; this one decides',
  aGoodSmallerOneWill: 'A good smaller one will do',
  the12VLoadMeasured: 'the 12 V load measured at full load, and the cards’ peak',
};

/** Of `Refusals.svelte`. */
export const refusals = {
  whereItComesClosest: (says: Said, label: Said) => `${says} (${label}, where it comes closest)`,
  itsOnlyPlaceGoesTo: (label: Said) => `Its only place, ${label}, goes to a card for another need.`,
  wouldDoInButAt: (label: Said, totalCents: Said) =>
    `Would do in ${label}, but at ${totalCents} with its trouble counted it is dearer.`,
};

/** Of `Rounds.svelte`. */
export const rounds = {
  inWhichOrder: 'In which order',
  fitTheseOnceTheOthers: 'Fit these once the others run: drivers in, figures proven',
  allAtOnceInA:
    'All at once. In a new build, let the first graphics or network card run before the second goes in.',
  ofWaitForASecond: (waiting: Said, cards: number) =>
    `${waiting} of ${cards} wait for a second round.`,
};

/** Of `Running.svelte`. */
export const running = {
  planningPartialPlans: (searched: Said, searched2: number) =>
    `Planning${searched2 > 0 ? `: ${searched} partial plans` : ''}`,
  stopS: 'Stop (S)',
};

/** Of `ShoppingList.svelte`. */
export const shoppingList = {
  here: 'here',
  table: (currency: string) => ({
    columns: ['What', 'For', 'Count', 'Days', `Each in ${currency}`, `Together in ${currency}`],
    sums: {
      net: (isLeast: boolean) => `Before tax${isLeast ? ', at least' : ''}`,
      tax: (isLeast: boolean) => `Tax${isLeast ? ', at least' : ''}`,
      gross: (isLeast: boolean) => `Total${isLeast ? ', at least' : ''}`,
    },
  }),
  shoppingList: 'Shopping list',
  for: (title: Said, customer: Said) => `: ${title}, for ${customer}`,
  asCsv: 'As CSV',
  print: 'Print',
  what: 'What',
  for2: 'For',
  count: 'Count',
  thereIn: 'There in',
  each: 'Each',
  together: 'Together',
  nothingHasToBeBought: 'Nothing has to be bought.',
  beforeTax: 'Before tax',
  tax: (taxPoints: Said) => `Tax, ${taxPoints} %`,
  total: (currency: Said) => `Total, ${currency}`,
  atLeast: 'at least ',
  notInTheCatalogue: ' – not in the catalogue',
  days: (leadDays: number) => counted(leadDays, 'day'),
};

/** Of `TrialBox.svelte`. */
export const trialBox = {
  onTrial: 'On trial',
  clearTheTrialEsc: 'Clear the trial (Esc)',
  acceptAsTriedA: 'Accept as tried (A)',
  in: (label: Said) => `in ${label}`,
  takeOff: 'Take off',
  whatCannotGoIsNot: 'What cannot go is not accepted.',
};

/** Of `TrialForm.svelte`. */
export const trialForm = {
  firstOnTrialIn: 'First on trial in',
  whichStandsOpenItComes: (isOpen: boolean, tried: Said) =>
    `${isOpen ? ', which stands open' : ''}: ${tried}. It comes first in Fit.`,
  noTrialAfterAll: 'No trial after all',
  tryCardsInAnotherMachine: 'Try cards in another machine first',
  theOtherMachine: 'The other machine',
  ofTheSameKindOf:
    'Of the same kind of slots, with nobody’s data in it. Pick free slots whose cover is off.',
  itsSystem: 'Its system',
  notKnown: 'not known',
  itStandsOpenWithoutA: 'It stands open, without a case',
  freeSlotThereFor: (card: Said) => `Free slot there for ${card}`,
  emptyNotTried: 'empty: not tried',
  keepTheTrial: 'Keep the trial',
  noTrial: 'No trial',
  in: (card: Said, label: Said) => `${card} in ${label}`,
  nameTheOtherMachine: 'Name the other machine.',
  nameAFreeSlotFor: 'Name a free slot for at least one card.',
};

/** Of `Weighing.svelte`. */
export const weighing = {
  fixSomethingBeforePlanning: 'Fix something before planning',
};

/** Of `WeightTable.svelte`. */
export const weightTable = {
  part: 'Part',
  reckoned: 'Reckoned',
  counts: 'Counts, %',
  weighs: 'Weighs',
  howMuchCountsInPercent: (partWords: Said) => `How much “${partWords}” counts, in percent`,
  aWholeNumberFrom0: (partWords: Said) =>
    `A whole number from 0 to 1000 is wanted for “${partWords}”.`,
  together: 'Together',
  countEverythingAsUsual: 'Count everything as usual',
  whatIsNotMoneyIs:
    'What is not money is reckoned in money by common practice, so that it can be set against a price: 15.00 for fitting a card, 25.00 for moving one, 1.00 for a day of waiting.',
};

/** Of `Weights.svelte`. */
export const weights = {
  scoreItsPartsAndWeights: (scoreMoney: Said) => `Score ${scoreMoney}: its parts and weights`,
};

/** Of `WhatIf.svelte`. */
export const whatIf = {
  whatIf: 'What if …',
  changeOneThingAndSee: 'Change one thing and see the plan; the survey stays as it is',
  nothing: 'nothing',
  planningForThat: 'Planning for that',
  asItIsAndIf: 'As it is, and if',
  asItIs: 'As it is',
  if: (words: Said) => `If: ${words}`,
  cards: 'Cards',
  noLongerAsked: 'no longer asked',
  priceBeforeTax: 'Price before tax',
  theChangeItself: 'The change itself',
  notKnown: 'not known',
  score: 'Score',
  buyIt: 'Buy it',
  doIt: 'Do it',
  supposeNothing: 'Suppose nothing',
  anyOtherFactOfThe: 'Any other fact of the machine',
  aCard: 'a card',
  in: (card: Said, label: Said) => `${card} in ${label}`,
  movedTo: (card: Said, label: Said) => `${card} moved to ${label}`,
  outForGood: (occupantName: Said) => `${occupantName} out for good`,
  notMet: 'not met',
  upTo: (bytesPerSecond: Said) => `up to ${bytesPerSecond}`,
  met: 'met',
};

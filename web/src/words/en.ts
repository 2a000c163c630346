import type { Schemas } from '../api/client'

export type Family = Schemas['ChargeView']['family']

/** What the pages say. Calm, imperative, the words of the trade. */
export const stageName: Record<Schemas['EnteredView']['stage'], string> = {
  WEIGH_IN: 'Weigh in',
  PREPARE: 'Prepare',
  BLANCH: 'Blanch',
  FILL: 'Fill',
  BRING_UP: 'Bring up',
  SIMMER: 'Simmer',
  REST: 'Rest',
  STRAIN: 'Strain',
  REDUCE: 'Reduce',
  COOL: 'Cool',
  STORE: 'Store',
  ON_SHELF: 'On the shelf',
  DONE: 'Done',
  ABANDONED: 'Given up',
}

export const dueName: Record<Exclude<Schemas['DueView']['kind'], 'BEGIN' | 'END'>, string> = {
  WEIGH: 'Weigh in',
  TURN: 'Turn the roast',
  JUDGE_SHADE: 'Judge the shade',
  CHANGE_WATER: 'Fresh cold water',
  BURNER_OFF: 'Burner off before flaming',
  HOLD: 'Hold it there',
  KELP_OUT: 'Kelp out',
  FLAKES_IN: 'Flakes in, hands off',
  TASTE: 'Taste it',
  SET_TEST: 'Spoonful on a cold plate',
  PASS: 'Through the strainer',
  REDUCE: 'Reduced to its mark',
  DEGREASE: 'Lift the fat',
  BLANCH: 'Blanched and rinsed',
  FILL: 'Fill to the line',
  LIGHT: 'Light the burner',
  FIRST_FOAM: 'First foam, skim',
  TURN_DOWN: 'Turn down to the simmer',
  SKIM: 'Skim',
  READ_LEVEL: 'Read the level',
  READ_TEMPERATURE: 'Read the temperature',
  TOP_UP: 'Top up',
  ADD: 'Put in',
  JUDGE: 'Judge the end',
  STRAIN: 'Strain and measure',
  BEGIN_COOLING: 'Start cooling',
  READ_COOLING: 'Read the cooling',
  RESCUE: 'Rescue the cooling',
  STORE: 'Put away',
}

/** A phase before the water: what there is to do at its beginning, and at its end. */
export const beginName: Record<string, string> = {
  soak: 'Into cold water',
  thaw: 'Into the cold to thaw',
  roast: 'Into the oven',
  sweat: 'Sweat the vegetables',
  brown: 'Brown them',
  'cook-tomato': 'Cook the tomato',
}

export const endName: Record<string, string> = {
  rinse: 'Rinsed',
  wipe: 'Wiped',
  soak: 'Out of the soak',
  thaw: 'Thawed',
  roast: 'Out of the oven',
  sweat: 'Sweated, no colour',
  brown: 'Browned',
  'cook-tomato': 'Tomato brick red',
  deglaze: 'Deglazed, cooked down',
  'wine-down': 'Wine cooked down',
  flame: 'Flamed out',
}

/** What is lost once an act has waited too long, and what still helps. */
export const lossWords: Record<string, string> = {
  TURN: 'One side is scorching. Turn now, and pick out what is black.',
  JUDGE_SHADE: 'It darkens by the minute, and black drippings are bitter. Look now.',
  END: 'It has gone past its time. Take it off and look.',
  CHANGE_WATER: 'The soak is giving its blood back. Fresh water now.',
  BURNER_OFF: 'Nothing is flamed over a lit burner.',
  FIRST_FOAM: 'Foam is boiling in: it clouds. Half off the heat, and skim.',
  SKIM: 'Scum is boiling in: it clouds. Half off the heat, and skim.',
  TURN_DOWN: 'It boils: fat and scum beat into the liquor. Turn down.',
  TOP_UP: 'The bed is laid bare and gives nothing. Water in.',
  KELP_OUT: 'The kelp turns bitter. Out with it.',
  FLAKES_IN: 'It cools below what opens the flakes.',
  ADD: 'What goes in late gives less; leave it in to the end.',
  JUDGE: 'It has had more than enough: body breaks down, and fish turns bitter.',
  TASTE: 'Soon nothing can be changed any more.',
  SET_TEST: 'Soon nothing can be changed any more.',
  STRAIN: 'It stands warm. Strain and cool it.',
  PASS: 'It stands warm. Strain and cool it.',
  REDUCE: 'It goes down past its mark, and salt with it.',
  DEGREASE: 'Fat on it keeps the heat in and clouds it.',
  BEGIN_COOLING: 'It stands in the danger zone. Into the ice.',
  READ_COOLING: 'Without a reading nobody can show that it was cold in time.',
  RESCUE: 'The limits do not hold. Reheat it once, or throw it away.',
  STORE: 'Cold stock warms on the bench. Put it away.',
}

export const shadeName = ['raw', 'pale', 'straw', 'nut', 'chestnut', 'dark', 'scorched', 'black']
export const setName = ['pours', 'coats', 'trembles', 'sets', 'cuts']
export const ladleName = ['cloudy', 'hazy', 'milky light', 'bright', 'see the bottom']

export const tasteWords = ['flat', 'clean', 'round', 'sweet', 'salty', 'bitter']
export const spentSigns = ['joints fall apart', 'marrow gone', 'bone porous', 'colour is there']

export const costName: Record<Schemas['DueView']['cost'], string> = {
  SAFETY: 'Waiting costs safety',
  YIELD: 'Waiting costs yield',
  CLARITY: 'Waiting costs clarity',
  FLAVOUR: 'Waiting costs flavour',
  TIME: 'Waiting costs time',
  NOTHING: '',
}

/** What a sheet asks for, by what it becomes. */
export const askedName: Record<string, string> = {
  'weighed-in': 'On the scale',
  filled: 'Water drawn',
  skimmed: 'Liquor lost with the scum',
  'topped-up': 'Water added',
  'level-read': 'Below the rim',
  'temperature-read': 'In the liquor',
  'brix-read': 'Refractometer',
  strained: 'Litres out',
  reduced: 'Left after reducing',
  degreased: 'Fat lifted',
  'cooling-read': 'In the stock',
  reheated: 'Reheated to',
  stored: 'Put away',
}

/** A figure of an entry, where it is told right; first by what it is of. */
export const figureName: Record<string, string> = {
  kg: 'Weight',
  litres: 'Volume',
  belowRimCm: 'Below the rim',
  celsius: 'Temperature',
  value: 'On the card',
  'brix-read.value': 'Refractometer',
  longerMin: 'Longer',
  passes: 'Strainers',
  pressed: 'Solids pressed',
  tray: 'Tray, 0 for all',
  words: 'Remark',
  'weighed-in.words': 'Lot of the bones',
  'tasted.words': 'It tastes',
  'discarded.words': 'Why it was discarded',
  'abandoned.words': 'Why it was given up',
}

export const eventName: Record<string, string> = {
  'weighed-in': 'Weighed in',
  began: 'Begun',
  finished: 'Done',
  turned: 'Turned',
  'water-changed': 'Fresh water',
  'burner-off': 'Burner off',
  'card-read': 'Held against the card',
  'brix-read': 'Refractometer',
  tasted: 'Tasted',
  held: 'Held',
  'taken-out': 'Taken out',
  passed: 'Through a strainer',
  degreased: 'Fat lifted',
  reduced: 'Reduced',
  blanched: 'Blanched',
  filled: 'Filled',
  'heat-on': 'Burner lit',
  'first-foam': 'First foam',
  'simmer-reached': 'Simmer reached',
  skimmed: 'Skimmed',
  'level-read': 'Level read',
  'temperature-read': 'Temperature read',
  'topped-up': 'Topped up',
  added: 'Put in',
  'judged-enough': 'Judged: enough',
  'judged-not-yet': 'Judged: not yet',
  strained: 'Strained',
  'cooling-began': 'Cooling started',
  'cooling-read': 'Cooling read',
  reheated: 'Reheated',
  stored: 'Put away',
  delivered: 'Delivered',
  discarded: 'Thrown away',
  abandoned: 'Given up',
  noted: 'Note',
  corrected: 'Correction',
  withdrawn: 'Withdrawn',
}

export const causeName: Record<string, string> = {
  WATER: 'Water',
  TOP_UP: 'Top-ups',
  WINE: 'Wine, deglazing',
  GIVEN_BY_SOLIDS: 'Fat from the bed',
  EVAPORATED: 'Steam',
  UPTAKE: 'Held by solids',
  SKIMMED: 'Skimmed',
  STRAINERS: 'Strainers, walls',
  FAT_LIFTED: 'Fat lifted',
  REDUCED: 'Reduced',
  UNEXPLAINED: 'Unexplained',
  YIELD: 'Litres out',
}

export const bodyName: Record<string, string> = {
  POURS: 'pours like water',
  COATS: 'coats',
  TREMBLES: 'trembles cold',
  SETS: 'sets',
  CUTS: 'cuts',
}

export const outcomeName: Record<string, string> = {
  WAITING: 'Clock not started',
  ON_COURSE: 'On course',
  TIGHT: 'Tight',
  WILL_FAIL: 'Will fail',
  PASSED: 'Passed',
  PASSED_ON_LATE_ENTRIES: 'Passed, on late entries',
  FAILED: 'Failed',
  NOT_SHOWN: 'Not shown',
}

export const statusName: Record<string, string> = {
  OPEN: 'Waiting for a plan',
  PLANNED: 'Being made',
  PARTLY_MET: 'Partly delivered',
  MET: 'Delivered',
  WITHDRAWN: 'Withdrawn',
}

export const cautionName: Record<string, string> = {
  RAW_BONES: 'Raw bones: wash hands and boards before anything else.',
  LIFTING: 'Above 15 kg nobody lifts alone. Ladle, draw off or tilt.',
  TWINE: 'Keep the twine inside the pot, away from the flame.',
  HOT_STRAINING: 'Strain hot in small loads, on a dry floor.',
  DRAINING_BLANCH: 'Drain the blanch away from you; the steam comes first.',
  RUNNING_FAT: 'Fat runs when a tray is moved.',
  FLAMING: 'Burner off, pour from a measure, lid to hand.',
  BLADES: 'Guard on the mandoline.',
  UNATTENDED: 'An unattended simmer only where the kitchen allows it.',
  KELP_IODINE: 'Kelp in small amounts.',
  SEALED_WARM: 'Never seal a warm container.',
  HOT_POT_IN_COLD_STORE: 'Never a full hot pot in the cold store.',
}

export const limitsNote = 'Your local code and your food-safety plan decide; set them under Kitchen.'

export const allergenName = (allergen: string) => allergen.toLowerCase().replace('_', ' ')

export const familyName: Record<Family, string> = {
  BROWN: 'Brown',
  WHITE: 'White',
  FISH: 'Fish',
  INFUSED: 'Infused',
  SHELLFISH: 'Shellfish',
  VEGETABLE: 'Vegetable',
  SECOND_WETTING: 'Second wetting',
  REDUCTION: 'Reductions',
  COURT_BOUILLON: 'Court-bouillon',
}

export const clarityName: Record<string, string> = {
  SCUM: 'scum left',
  BOILED: 'boiled',
  STIRRED: 'stirred',
  MUSH: 'cut too small',
  POURED: 'poured',
  PASSES: 'one pass only',
  PRESSED: 'pressed',
  THICKENED: 'tomato or starch',
}

export const taintWords: Record<string, [string, string]> = {
  FISH_LONG: ['Fish too long.', 'Past 35 minutes its bones turn the liquor chalky and bitter.'],
  KELP_HOT: ['Kelp too hot.', 'Steep it at 60 to 70 °C and take it out before the boil.'],
  BRASSICA: [
    'Cabbage in a long simmer.',
    'It turns bitter within the hour; put it in later, or leave it out.',
  ],
  PEPPER: ['Pepper in a long simmer.', 'It turns bitter; leave it out.'],
  BEET: ['Beetroot colours it red-brown.', 'Leave it out unless that is wanted.'],
  SCORCHED: [
    'Roasted to scorching.',
    'Its drippings are bitter; stop at shade 6, and leave black drippings out.',
  ],
  POT: ['A long simmer in a thin or bare pot.', 'It tastes of metal after twelve hours; take a heavy one.'],
}

export const schoolName: Record<string, string> = {
  blanch: 'Blanching',
  tomato: 'Tomato',
  vegetables: 'Vegetables',
  roast: 'Roast',
  density: 'Vegetables to water',
  cover: 'Lid',
  topUp: 'Level',
  transfer: 'Out of the pot',
  press: 'Pressing',
  herbs: 'Herbs',
}

export const schoolWord: Record<string, Record<string, string>> = {
  blanch: { false: 'Not blanched', true: 'Blanched' },
  tomato: { 'on-the-bones': 'On the bones', 'on-the-vegetables': 'On the vegetables', none: 'None' },
  vegetables: { 'at-the-start': 'At the start', late: 'Late' },
  roast: { 'hot-and-fast': 'Hot and fast', overnight: 'Overnight' },
  density: { dense: 'Dense', 'light-reduced': 'Light, then halved' },
  cover: { open: 'Open', 'paper-lid': 'Paper lid', 'lid-ajar': 'Lid ajar', 'lid-on': 'Lid on' },
  topUp: { hold: 'Hold it', 'let-reduce': 'Let it go down' },
  transfer: { ladle: 'Ladle', pour: 'Pour', tap: 'Tap' },
  press: { false: 'Not pressed', true: 'Pressed' },
  herbs: {
    fresh: 'Fresh',
    'dried-half-weight': 'Dried, half the weight',
    'dried-third-volume': 'Dried, a third by volume',
  },
}

export const unusualWords: Record<string, [string, string]> = {
  WATER: ['water to bed', 'More thins it; less leaves the bed bare and gives few litres.'],
  VEGETABLES: ['vegetables to bones', 'More tastes of vegetables and clouds; less tastes of bone alone.'],
  TOMATO: ['tomato to bones', 'More sours and clouds; less does little.'],
  SIMMER: ['simmer', 'Shorter leaves body in the bones; longer breaks it down again, or turns bitter.'],
  OVEN: ['oven', 'Hotter scorches one side before the other colours; cooler only dries.'],
  SHADE: ['shade', 'Darker is bitter; paler gives no colour.'],
  KELP: ['kelp', 'More is slimy and heavy in iodine.'],
  KEEPING: ['days in the cold', 'Longer than is usual for this kind; your food-safety plan decides.'],
}

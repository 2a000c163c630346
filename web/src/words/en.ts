/** What the pages say. Calm, imperative, the words of the trade. */
export const stageName: Record<string, string> = {
  WEIGH_IN: 'Weigh in',
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

export const dueName: Record<string, string> = {
  WEIGH: 'Weigh in',
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

export const costName: Record<string, string> = {
  SAFETY: 'Waiting costs safety',
  YIELD: 'Waiting costs yield',
  CLARITY: 'Waiting costs clarity',
  FLAVOUR: 'Waiting costs flavour',
  TIME: 'Waiting costs time',
  NOTHING: '',
}

export const eventName: Record<string, string> = {
  'weighed-in': 'Weighed in',
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

export const familyName: Record<string, string> = {
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

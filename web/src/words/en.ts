/** What the pages say. Calm, imperative, the words of the trade. */
export const stageName: Record<string, string> = {
  WEIGH_IN: 'Weigh in',
  BLANCH: 'Blanch',
  FILL: 'Fill',
  BRING_UP: 'Bring up',
  SIMMER: 'Simmer',
  REST: 'Rest',
  STRAIN: 'Strain',
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
  WINE: 'Wine',
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

/** The trade's words and ours, each explained in a sentence or two: asked for where it stands, and listed in the library. */
export const TERMS = {
  yield: ['Yield', 'What can be eaten once it is cooked and boned, as a share of the trimmed raw weight.'],
  trim: ['Trim', 'What is cut away raw before cooking, as a share of what was bought.'],
  share: ['Share of the plate', 'How much of the meat on a plate is this cut. Left empty, the cuts of a serving share it evenly.'],
  hearty: ['Hearty eaters', 'The share of the adults who eat a fifth more than the others.'],
  stall: ['Stall', 'Hours in which the core stays where it is, because the wet surface loses as much heat as the pit gives.'],
  bark: ['Bark', 'The dark, dry surface. It is set when it no longer scrapes off with a fingernail.'],
  wrap: ['Wrap', 'Paper, foil or a covered pan round the meat: it stops the stall and softens the bark, foil the most.'],
  vent: ['Vent', 'Opened for some minutes after the pull, so that it stops cooking.'],
  rest: ['Rest', 'The wait after the pull until it may be carved: juices settle, the core falls.'],
  hold: ['Hold', 'Kept hot after the rest, in a box or warmer. It takes up what the cook was early, so being early is fine.'],
  mush: ['Too soft', 'A warm hold goes on tenderising. Past a while meat loses its bite and falls apart; the plan keeps below that.'],
  carryOver: ['Carry-over', 'The core still climbs after the pull, as the hot outside evens out: a roast is pulled below its number.'],
  core: ['Core', 'The temperature in the middle of the thickest part, off the bone.'],
  setPoint: ['Set point', 'The heat the pit is held at, at the grate. The gauge or controller may show another number: both are told.'],
  dangerZone: ['Danger zone', 'Between {5 C} and {57 C} germs grow. Hours in it are counted.'],
  nonIntact: ['Non-intact', 'Injected or needle-tenderised: what was on the surface may be inside, so the core must get hotter.'],
  lethality: [
    'Lethality',
    'Whether the core was hot enough for long enough to kill what could be in it, by time and temperature together.',
  ],
  sure: [
    'How sure',
    'The share of simulated days on which all of a serving is ready in time. Every pit, piece and the weather differ from day to day.',
  ],
  range: ['Range of 80 %', 'Of ten such cooks eight fall inside it, one before and one after.'],
  median: ['Usual', 'Half of such cooks take less, half take more.'],
  tender: [
    'Probe-tender',
    'A thin probe goes in without a push: collagen has turned to gelatine. The number only says when to begin looking.',
  ],
  zone: ['Zone', 'A part of a rack that runs hotter or cooler than the set point.'],
  quiet: ['Quiet hours', 'When the crew would rather sleep. The plan puts as little as it can into them.'],
  margin: ['Margin', 'Cooked on top of what the guests are reckoned to eat.'],
} as const satisfies Record<string, readonly [word: string, meaning: string]>;
export type TermId = keyof typeof TERMS;

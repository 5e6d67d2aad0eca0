import {
  cutIn,
  fireRecipeFor,
  fuelOf,
  gaugeOffsetAt,
  methodIn,
  prepOf,
  recipeIn,
  woodsOfRecipe,
  type CoalLay,
  type FireRecipe,
  type Pit,
  type Run,
  type Task,
  type WoodShare,
} from '../../core/model';
import { COLOUR_WORDS } from './colour';
import { batchName, lowerPit, piecesMessage, type MessageContext, type TaskMessage } from './names';
import { tagOf } from './rack';
import { formatMass, formatMinutes, formatSetPoint, formatSmallMass, formatTemp, formatVolume, withFigures, type Units } from '../units';

const FIRE_KINDS = ['light', 'closeAir', 'setPoint', 'reload', 'ash', 'water', 'wood', 'tube'] as const;
type FireTask = Task & { kind: (typeof FIRE_KINDS)[number] };
export const isFireTask = (task: Task): task is FireTask => (FIRE_KINDS as readonly string[]).includes(task.kind);

/** `120 °C at the grate, 125 °C on the gauge`, or only the one where they agree. */
export function setMessage(messageContext: MessageContext, pit: Pit | undefined, pitC: number): string {
  const { units } = messageContext;
  const offsetC = pit ? gaugeOffsetAt(pit, pitC) : 0;
  if (Math.abs(offsetC) < 0.5) return formatSetPoint(pitC, units);
  return `${formatSetPoint(pitC, units)} at the grate (set ${formatSetPoint(pitC - offsetC, units)} on the gauge)`;
}

/** What a split of a forearm's length weighs, dry. */
const KG_PER_STICK = 0.8;
const sticksMessage = (kg: number): string => {
  const sticks = Math.max(1, Math.round(kg / KG_PER_STICK));
  return `, ${sticks} ${sticks === 1 ? 'stick' : 'sticks'}`;
};

/** `oak`, `oak and cherry, 3 to 1`. */
const woodsMessage = (woods: readonly WoodShare[] = []): string => {
  const [most, other] = [...woods].sort((x, y) => y.share - x.share);
  if (!most) return 'oak';
  if (!other) return most.wood;
  const parts = Math.round(most.share / other.share);
  return `${most.wood} and ${other.wood}, ${parts <= 1 ? 'half and half' : `${parts} to 1`}`;
};

/** What a fire asks for, and what to look at while doing it. */
export function fireTaskMessage(messageContext: MessageContext, task: FireTask, runs: readonly Run[]): TaskMessage {
  const { units } = messageContext;
  const pit = messageContext.pits.find((each) => each.id === task.pitId);
  const name = lowerPit(pit?.name ?? 'pit');
  const fuel = pit ? fuelOf(pit).kind : 'charcoal';
  switch (task.kind) {
    case 'light':
      return pit?.smoke
        ? {
            title: `Light the ${name}`,
            detail: `${recipeMessage(pit, task.pitC!, units)}Come up from below to ${setMessage(messageContext, pit, task.pitC!)}; load once the smoke is clean. Never in a tent or under a roof: carbon monoxide.`,
          }
        : {
            title: `Heat the ${name} to ${formatSetPoint(task.pitC!, units)}`,
            detail: 'No smoke here: it takes what is wrapped, and pans.',
          };
    case 'closeAir':
      return {
        title: `Start closing the air of the ${name}`,
        detail: `At about ${formatSetPoint(task.pitC!, units)} and rising: it must settle, not rush past.`,
      };
    case 'setPoint':
      return {
        title: `Set the ${name} to ${setMessage(messageContext, pit, task.pitC!)}`,
        detail: stepMessage(messageContext, task, runs) ?? 'Change the heat ahead of the next batch.',
      };
    case 'reload': {
      const coals = pit && fireRecipeFor(pit, task.pitC!)?.lay === 'shovelled';
      if (coals)
        return {
          title: `Shovel coals into the ${name}: burned down from ${formatSmallMass(task.kg!, units)} of ${woodsMessage(task.woods)}`,
          detail:
            'From the second fire, glowing and without flame, spread thin; put as much wood on that fire again, and stand up-wind of it.',
        };
      const what = fuel === 'split wood' ? `${woodsMessage(task.woods)}, split` : fuel;
      return {
        title: `Feed the ${name}: ${formatSmallMass(task.kg!, units)} of ${what}${fuel === 'split wood' ? sticksMessage(task.kg!) : ''}`,
        detail:
          fuel === 'split wood'
            ? 'Warm the split beside the fire first. Thick or dark smoke: open the air until it runs thin.'
            : 'Through the door, quickly, on live coals; thick smoke means it wants more air.',
      };
    }
    case 'ash':
      return { title: `Clear the ash of the ${name}`, detail: 'Into a lidded metal can, well away from everything: embers live for days.' };
    case 'water':
      return { title: `Fill the water pan of the ${name}`, detail: 'Hot water, so that the pit does not pay for warming it.' };
    case 'wood':
      return {
        title: `A piece of ${woodsMessage(task.woods)} on the ${name}’s fire`,
        detail: `About ${formatSmallMass(task.kg!, units)}. Dark, thick smoke is bitter and cannot be taken back: wait until it runs thin before the next.`,
      };
    case 'tube':
      return {
        title: `Light the smoke tube in the ${name}`,
        detail: `It smokes for about ${formatMinutes(task.lastsMin!)}: no longer than half of the cook, or the meat turns bitter.`,
      };
  }
}

const LAY_WORDS: Record<CoalLay, string> = {
  bed: 'in an even bed',
  ring: 'in a ring, lit at one end',
  side: 'banked to one side',
  basket: 'in the basket',
  shovelled: 'burned down apart and shovelled in',
};

/** Vents in words and eighths: `open 2/8`, `shut`, `wide open`. */
const ventMessage = (eighths: number): string => (eighths === 0 ? 'shut' : eighths === 8 ? 'wide open' : `open ${eighths}/8`);

/** The whole of a fire as its owner makes it at this heat; nothing where nobody wrote it down. */
export function recipeMessage(pit: Pit, pitC: number, units: Units): string {
  const recipe = fireRecipeFor(pit, pitC);
  if (!recipe) return '';
  const parts = [...recipeParts(recipe, units), `${formatMinutes(pit.warmUpMin)} to heat`];
  return `Its fire for ${formatSetPoint(recipe.pitC, units)}: ${parts.join('; ')}. `;
}

/** What a fire is made of, part by part: coals, woods, air, water. What nobody wrote down is left out. */
export function recipeParts(recipe: FireRecipe, units: Units): string[] {
  const { litKg, unlitKg, lay, woodLies, inEighths, outEighths, waterLitres, waterHot } = recipe;
  const woods = woodsOfRecipe(recipe);
  const coals = [litKg && `${formatSmallMass(litKg, units)} lit`, unlitKg && `${formatSmallMass(unlitKg, units)} unlit`]
    .filter(Boolean)
    .join(' on ');
  return [
    [coals, lay && LAY_WORDS[lay]].filter(Boolean).join(', '),
    woods && `${woodsMessage(woods)}${woodLies ? (woodLies === 'under' ? ', under the coals' : ', on top') : ''}`,
    inEighths !== undefined && `air in ${ventMessage(inEighths)}`,
    outEighths !== undefined && `out ${ventMessage(outEighths)}`,
    waterLitres !== undefined && `${formatVolume(waterLitres, units)} of ${waterHot ? 'hot ' : ''}water`,
  ].filter((part): part is string => Boolean(part));
}

/** Sprays, turns, probes and the fire at the end. */
export function rhythmTaskMessage(messageContext: MessageContext, task: Task, run: Run, pit: string): TaskMessage | undefined {
  const { units } = messageContext;
  const pieces = piecesMessage(messageContext, run.batchId, run.pieceIds.length);
  const batch = messageContext.event.batches.find((each) => each.id === run.batchId);
  const cut = batch && cutIn(messageContext.library, batch.cutId);
  const { mop, spray } = batch && cut ? prepOf(cut, batch).recipes : {};
  const named = (id: string | undefined) => {
    const recipe = recipeIn(messageContext.library, id);
    return recipe ? ` with ${recipe.name.toLowerCase()}` : '';
  };
  switch (task.kind) {
    case 'spray':
      return {
        title: `${mop && !spray ? 'Mop' : 'Spray'} ${pieces}${named(mop && !spray ? mop : spray)}`,
        detail: 'Only where the surface is dry and the bark does not rub off; the lid shut again at once.',
      };
    case 'turn':
      return cut?.species === 'dish'
        ? { title: `Turn ${pieces} about`, detail: 'The far end to the door, and stir: the back is hotter.' }
        : {
            title: `Turn ${pieces}`,
            detail: `The other side to the heat, the thick end still toward the fire.${mop ? ` Mop it while it lies open${named(mop)}.` : ''}`,
          };
    case 'relight':
      return {
        title: `Bring up the fire of the ${lowerPit(pit)} for the end`,
        detail: `Relight the coals, air open: ${formatSetPoint(task.pitC ?? run.pitC, units)} for the last minutes. Grease burns: class K or B extinguisher at hand, never water.`,
      };
    case 'probe': {
      const probe = messageContext.probes?.find((each) => each.id === task.probe?.probeId);
      const channel = (probe?.channels ?? 1) > 1 ? `, channel ${task.probe!.channel}` : '';
      return {
        title: `${probe?.name ?? 'Probe'}${channel} into ${tagOf(messageContext, { batchId: run.batchId, pieceId: task.probe!.pieceId })} of the ${batchName(messageContext, run.batchId).toLowerCase()}`,
        detail: `${cut ? withFigures(cut.probe, units) : ''} Wiped with sanitiser first. ${formatMass(batch?.pieces.find((piece) => piece.id === task.probe!.pieceId)?.kg ?? 0, units)}: the slowest of its run.`,
      };
    }
    default:
      return undefined;
  }
}

/** A step that waits for a core is taken when the probe says so; the minute is only where it is expected. */
function stepMessage({ event, library, units }: MessageContext, task: Task, runs: readonly Run[]): string | undefined {
  for (const run of runs) {
    const batch = event.batches.find((each) => each.id === run.batchId);
    const method = batch && methodIn(library, batch.methodId);
    if (!method || run.pitId !== task.pitId || task.atMs < run.onAtMs || task.atMs > run.pullLateMs) continue;
    const step = method.steps?.find(
      ({ fromMin, pitC }) => fromMin === undefined && Math.round(run.pitC + pitC - method.pitC) === Math.round(task.pitC!),
    );
    const meat = batch.label || cutIn(library, batch.cutId)!.noun[1];
    if (step?.fromCoreC !== undefined) return `When the core of the ${meat} reads ${formatTemp(step.fromCoreC, units)}; about now.`;
    if (step?.atColour) return `When the ${meat} have a ${COLOUR_WORDS[step.atColour]} bark, by eye; about now.`;
  }
  return undefined;
}

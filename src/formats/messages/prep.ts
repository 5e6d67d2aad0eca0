import {
  carriedBy,
  inListOrder,
  buyingOf,
  cutIn,
  methodIn,
  PREP_KINDS,
  prepOf,
  recipeIn,
  type Batch,
  type Cut,
  type Prep,
  type PrepKind,
  type RecipeKind,
  type Task,
} from '../../core/model';
import { brineFor, portionsOf, saltG, seasoningOf, type SeasoningUse } from '../../core/quantities';
import { ASK_THE_KITCHEN, carriedName } from './carried';
import { formatMinutes, formatSmallMass, formatTemp, formatVolume, withFigures, type Units } from '../units';
import { capital, list, piecesMessage, type MessageContext, type TaskMessage } from './names';

type PrepTask = Task & { kind: PrepKind };
export const isPrepTask = (task: Task): task is PrepTask => (PREP_KINDS as readonly string[]).includes(task.kind);

/** What to do before the fire, with the figures to weigh out and the allergens that come with it. */
export function prepTaskMessage(messageContext: MessageContext, task: Pick<PrepTask, 'kind' | 'batchId'>): TaskMessage {
  const { units, library } = messageContext;
  const batch = messageContext.event.batches.find((each) => each.id === task.batchId);
  const cut = batch && cutIn(library, batch.cutId);
  if (!batch || !cut) return { title: 'Prepare', detail: '' };
  const prep = prepOf(cut, batch);
  const pieces = piecesMessage(messageContext, batch.id, batch.pieces.length);
  const kg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  const seasoning = seasoningOf(batch, cut, methodIn(library, batch.methodId), library, 0);
  const used = (kind: RecipeKind) => seasoning.uses.find((each) => each.kind === kind);
  const weighed = (use: SeasoningUse | undefined) =>
    use ? `${formatSmallMass(use.kg, units)} of ${use.recipe.name.toLowerCase()}` : undefined;
  const brine = prep.brine === 'none' ? undefined : brineFor(batch, cut, recipeIn(library, prep.recipes.brine), prep.brine);
  const cold = formatTemp(5, units);
  const keptKg = ((kg * cut.trimShare) / (1 - cut.trimShare)) * buyingOf(cut, batch).usableTrimShare;
  const keptMessage = keptKg > 0.05 ? `keep about ${formatSmallMass(keptKg, units)} of the trim` : 'little of the trim is worth keeping';
  switch (task.kind) {
    case 'thaw':
      return prep.thaw === 'water'
        ? {
            title: `Thaw ${pieces} under running water`,
            detail: `Water at or below ${formatTemp(21, units)}, at most 4 h above ${cold}; then straight back to the cold.`,
          }
        : {
            title: `Move ${pieces} from the freezer to the fridge`,
            detail: `At or below ${cold}, on the lowest shelf, in a tray. Longer is no harm for two days.`,
          };
    case 'trim':
      return {
        title: `Trim ${pieces}`,
        detail: `Even thickness; thin flaps and hard fat off; ${trimWords(cut, prep, units)}${keptMessage}. Weigh each, measure its thick end. Cut-resistant glove.`,
      };
    case 'mixBrine':
      return {
        title: `Mix the brine for ${pieces}`,
        detail: brine
          ? `${formatVolume(brine.litres, units)} with ${formatSmallMass(brine.saltKg, units)} of salt; ${formatSmallMass(brine.iceKg, units)} of the water as ice. At or below ${cold} before any meat goes in.`
          : '',
      };
    case 'brine':
      return {
        title: `Lay ${pieces} into the brine`,
        detail: brine
          ? `Covered, in a food-safe tub of ${formatVolume(brine.tubLitres, units)}, in the fridge, for ${formatMinutes(brine.hours * 60)}.`
          : '',
      };
    case 'rinse':
      return {
        title: `Rinse and dry ${pieces}`,
        detail: 'Throw the brine away. Pat dry and leave uncovered in the cold; scrub down the sink after.',
      };
    case 'inject':
      return {
        title: `Inject ${pieces}`,
        detail: `${weighed(used('injection')) ?? 'The injection'}, in a grid. From here on it counts as non-intact: core ${formatTemp(68, units)}.${withAllergens(used('injection'))}`,
      };
    case 'salt':
      return {
        title: `Salt ${pieces}`,
        detail: `${formatSmallMass(saltG(cut, kg) / 1000, units)} of coarse salt in all, every side; back into the cold, uncovered.`,
      };
    case 'rub': {
      const parts = [weighed(used('binder')), weighed(used('rub'))].filter((each) => each !== undefined);
      const light = prep.undersideLight ? ' Underside light.' : '';
      const unsalted = seasoning.unsalted ? ' No salt in it: neither brined nor salted.' : '';
      return {
        title: `Season ${pieces}`,
        detail: `${parts.join(', then ')}${layered(prep)}.${light}${unsalted}${withAllergens(used('binder'), used('rub'))}`,
      };
    }
    case 'layer':
      return {
        title: `Second layer of rub on ${pieces}`,
        detail: `A third of the whole${used('rub') ? `: ${used('rub')!.recipe.name.toLowerCase()}` : ''}, once the first is damp and holds.`,
      };
    case 'chill':
      return {
        title: `Chill ${pieces} uncovered`,
        detail: `On a rack in the coldest of the cold for ${formatMinutes(prep.chillMin ?? 0)}: a dry, cold surface takes smoke longer.`,
      };
    case 'topUp':
      return { title: `Top up the rub on ${pieces}`, detail: 'Where it has come off or gone damp, just before it goes on.' };
    case 'fill':
      return {
        title: `Fill ${pieces}`,
        detail: `${weighed(used('dish')) ?? 'By the recipe'}; covered and cold until it goes in.${withAllergens(used('dish'))}`,
      };
    case 'temper':
      return {
        title: `Take ${pieces} out of the cold`,
        detail: `${prep.temperMin} min before going on, no longer: the safety clock runs from here.`,
      };
  }
}

const FAT_WORDS = { off: 'the fat cap all off', thin: '{6 mm} of the fat cap left', thick: 'the fat cap left whole' } as const;
const MEMBRANE_WORDS = { off: 'the membrane off', scored: 'the membrane scored in a grid', on: 'the membrane left on' } as const;

/** What becomes of fat and membrane, as it was chosen. */
function trimWords(cut: Cut, { fatCap, membrane }: Prep, units: Units): string {
  const words = [fatCap && FAT_WORDS[fatCap], cut.bones !== undefined && membrane && MEMBRANE_WORDS[membrane]].filter(Boolean);
  return words.map((each) => `${withFigures(String(each), units)}; `).join('');
}

const layered = ({ layerMin }: Prep): string =>
  layerMin === undefined ? '' : ` in all, two thirds of it now, the rest ${formatMinutes(layerMin)} later`;

const ADDED: Partial<Record<RecipeKind, string>> = {
  wrap: 'Into the wrap',
  braise: 'Into the pan',
  glaze: 'Glaze before it is pulled',
  dressing: 'Dress it',
  sauce: 'Sauce beside it',
};

/** ` Dress it: 1.2 lb of pepper vinegar. Carries sulphites.`, for what is added while it cooks or is carved. */
export function addedMessage(messageContext: MessageContext, batch: Batch, kind: RecipeKind): string {
  const cut = cutIn(messageContext.library, batch.cutId);
  const serving = messageContext.event.servings.find((each) => each.id === batch.servingId);
  if (!cut || !serving) return '';
  const heads = portionsOf(serving.guests, serving.buffet, serving.marginShare);
  const { uses } = seasoningOf(batch, cut, methodIn(messageContext.library, batch.methodId), messageContext.library, heads);
  const use = uses.find((each) => each.kind === kind);
  return use
    ? ` ${ADDED[kind]}: ${formatSmallMass(use.kg, messageContext.units)} of ${use.recipe.name.toLowerCase()}.${withAllergens(use)}`
    : '';
}

/** ` Carries mustard and celery.`, and that a recipe is not declared. */
function withAllergens(...uses: (SeasoningUse | undefined)[]): string {
  const recipes = uses.flatMap((use) => (use ? [use.recipe] : []));
  const all = inListOrder(recipes.flatMap(carriedBy));
  const undeclared = recipes.filter((recipe) => !recipe.declared).map((recipe) => recipe.name);
  const known = all.length > 0 ? ` Carries ${list(all.map(carriedName))}.` : '';
  return undeclared.length > 0 ? `${known} ${capital(list(undeclared))}: ${ASK_THE_KITCHEN}.` : known;
}

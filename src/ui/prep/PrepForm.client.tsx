'use client';
import { cutIn, methodIn, RECIPE_KINDS, recipeIn, type Batch, type CookEvent, type RecipeKind } from '../../core/model';
import { brineFor, coldThawMin, seasoningOf, waterThawMin } from '../../core/quantities';
import type { PrepInput } from '../../inputs';
import type { MessageContext } from '../../formats/messages/names';
import { formatMinutes, formatSmallMass, formatTemp, formatVolume, withFigures } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Field, inputClass } from '../kit/Field';
import { useMarkEdit } from '../kit/undo';
import { useUnits } from '../kit/UnitsProvider';
import { prepInput } from './prepInput';

const KIND_NAMES: Record<RecipeKind, string> = {
  brine: 'Brine',
  injection: 'Injection',
  binder: 'Binder',
  rub: 'Rub',
  spray: 'Spray',
  mop: 'Mop',
  wrap: 'In the wrap',
  braise: 'Braise',
  glaze: 'Glaze',
  dressing: 'Dressing',
  sauce: 'Sauce',
  dish: 'The dish',
};
/** What a pan is made with, and what meat is made with. */
const kindsFor = (dish: boolean): RecipeKind[] =>
  RECIPE_KINDS.filter((kind) => (dish ? kind === 'dish' : kind !== 'dish' && kind !== 'brine' && kind !== 'sauce'));

/** Every choice of prep for one batch; each is saved as it is made and can be undone. */
export function PrepForm({
  messageContext,
  batch,
  savePrep,
}: {
  messageContext: MessageContext;
  batch: Batch;
  savePrep: Action<CookEvent>;
}) {
  const units = useUnits();
  const { library } = messageContext;
  const cut = cutIn(library, batch.cutId)!;
  const method = methodIn(library, batch.methodId);
  const values = prepInput(library, batch);
  const markEdit = useMarkEdit();
  const put = async (change: Partial<PrepInput>) => {
    const outcome = await callAction(savePrep, { ...values, ...change });
    if (outcome.ok) announce('The plan follows.', markEdit?.());
    else complain(outcome.problems);
  };
  const dish = cut.species === 'dish';
  const heaviestKg = Math.max(...batch.pieces.map((piece) => piece.boughtKg ?? piece.kg / (1 - cut.trimShare)));
  const brine = values.brine === 'none' ? undefined : brineFor(batch, cut, recipeIn(library, values.recipes.brine), values.brine);
  const seasoning = seasoningOf(batch, cut, method, library, 0);
  const choice = (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    change: (value: string) => void,
    note?: string,
  ) => {
    const id = `prep-${label.toLowerCase().replace(/[^a-z]+/g, '-')}`;
    return (
      <Field label={label} id={id} hint={note}>
        <select id={id} className={inputClass()} value={value} onChange={(event) => change(event.target.value)}>
          {options.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </select>
      </Field>
    );
  };
  const recipesOf = (kind: RecipeKind) =>
    library.recipes.filter((recipe) => recipe.kind === kind).map((recipe) => [recipe.id, recipe.name] as const);
  const setRecipe = (kind: RecipeKind, id: string) => put({ recipes: { ...values.recipes, [kind]: id || undefined } });
  return (
    <div className="space-y-3">
      {!dish && (
        <>
          {choice(
            'It comes',
            values.thaw,
            [
              ['fresh', 'fresh'],
              ['cold', 'frozen, thawed in the fridge'],
              ['water', 'frozen, thawed under running water'],
            ],
            (thaw) => put({ thaw: thaw as PrepInput['thaw'] }),
            values.thaw === 'fresh'
              ? undefined
              : values.thaw === 'cold'
                ? `${formatMinutes(coldThawMin(heaviestKg).usualMin)} for the heaviest`
                : `${formatMinutes(waterThawMin(heaviestKg).minutes)} for the heaviest; 4 h is the most`,
          )}
          {choice(
            'Brine',
            values.brine === 'none' ? '' : `${values.brine}/${values.recipes.brine}`,
            [
              ['', 'none'],
              ...recipesOf('brine').flatMap(([id, name]) => [
                [`timed/${id}`, `${name}, for hours`] as const,
                [`balance/${id}`, `${name}, to balance`] as const,
              ]),
            ],
            (value) => {
              const [way, id] = value.split('/');
              return put(
                value === ''
                  ? { brine: 'none', recipes: { ...values.recipes, brine: undefined } }
                  : { brine: way as PrepInput['brine'], recipes: { ...values.recipes, brine: id }, salt: 'none' },
              );
            },
            brine &&
              `${formatVolume(brine.litres, units)} with ${formatSmallMass(brine.saltKg, units)} of salt, ${formatMinutes(brine.hours * 60)}; tub ${formatVolume(brine.tubLitres, units)}`,
          )}
          {choice(
            'Salt',
            values.salt,
            [
              ['none', 'none by itself'],
              ['night', 'the night before'],
              ['hour', 'an hour ahead'],
              ['on', 'as it goes on'],
            ],
            (salt) => put({ salt: salt as PrepInput['salt'] }),
            seasoning.drySaltKg > 0
              ? `${formatSmallMass(seasoning.drySaltKg, units)} by itself; ${(seasoning.surfaceSaltShare * 100).toFixed(1)} % of the meat in all`
              : undefined,
          )}
          {choice(
            'Tempered',
            String(values.temperMin),
            [0, 15, 30, 45, 60].map((minutes) => [String(minutes), minutes === 0 ? 'no, cold onto the pit' : `${minutes} min`] as const),
            (minutes) => put({ temperMin: Number(minutes) }),
            values.temperMin > 0 ? `Counts toward 4 h between ${formatTemp(5, units)} and ${formatTemp(57, units)}` : undefined,
          )}
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        {kindsFor(dish).map((kind) => {
          const used = seasoning.uses.find((use) => use.kind === kind);
          return (
            <div key={kind}>
              {choice(
                KIND_NAMES[kind],
                values.recipes[kind] ?? '',
                [['', 'none'], ...recipesOf(kind)],
                (id) => setRecipe(kind, id),
                used ? formatSmallMass(used.kg, units) : kind === 'injection' ? 'makes it non-intact' : undefined,
              )}
            </div>
          );
        })}
      </div>
      {!dish && (
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={values.undersideLight}
            onChange={(event) => put({ undersideLight: event.target.checked })}
          />
          Underside light
        </label>
      )}
      <p className="text-[0.85rem] text-soft">{withFigures(method?.practice ?? '', units)}</p>
    </div>
  );
}

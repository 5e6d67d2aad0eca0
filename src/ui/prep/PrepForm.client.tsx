'use client';
import { smokeShareOf } from '../../core/fire';
import { cutIn, methodIn, RECIPE_KINDS, recipeIn, RUB_WEIGHTS, type Batch, type CookEvent, type RecipeKind } from '../../core/model';
import { brineFor, coldThawMin, seasoningOf, usualRubWeight, waterThawMin } from '../../core/quantities';
import type { PrepInput } from '../../inputs';
import type { MessageContext } from '../../formats/messages/names';
import { formatMinutes, formatShare, formatSmallMass, formatTemp, formatVolume, withFigures } from '../../formats/units';
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
                used
                  ? formatSmallMass(used.kg, units)
                  : kind === 'injection'
                    ? 'makes it non-intact'
                    : kind === 'mop' && values.recipes.mop !== undefined
                      ? 'this method never opens for a mop: choose one that sprays or turns'
                      : undefined,
              )}
            </div>
          );
        })}
      </div>
      {!dish && values.recipes.injection !== undefined && (
        <>
          {choice(
            'Left after the injection',
            String(values.injectRestMin ?? 60),
            [0, 60, 120, 240, 480, 720].map((minutes) => [String(minutes), minutes === 0 ? 'not at all' : formatMinutes(minutes)] as const),
            (minutes) => put({ injectRestMin: Number(minutes) }),
          )}
        </>
      )}
      {!dish && (
        <div className="grid grid-cols-2 gap-3">
          {choice(
            'Hand with the rub',
            values.rubWeight ?? '',
            [['', `by cut: ${usualRubWeight(cut)}`], ...RUB_WEIGHTS.map((each) => [each, each] as const)],
            (each) => put({ rubWeight: (each || undefined) as PrepInput['rubWeight'] }),
          )}
          {choice(
            'Second layer',
            String(values.layerMin ?? ''),
            [['', 'none'], ...[15, 30, 60, 240].map((minutes) => [String(minutes), `${formatMinutes(minutes)} after the first`] as const)],
            (minutes) => put({ layerMin: minutes === '' ? undefined : Number(minutes) }),
          )}
          {choice(
            'Smoke on it',
            values.smoke ?? '',
            [
              ['', 'usual'],
              ['light', `light, ${formatShare(smokeShareOf('light'))} of the usual where wood is laid on`],
              ['heavy', `heavy, ${formatShare(smokeShareOf('heavy'))}`],
            ],
            (each) => put({ smoke: (each || undefined) as PrepInput['smoke'] }),
          )}
          {choice(
            'Chilled uncovered',
            String(values.chillMin ?? ''),
            [['', 'no'], ...[30, 60, 120, 480].map((minutes) => [String(minutes), formatMinutes(minutes)] as const)],
            (minutes) => put({ chillMin: minutes === '' ? undefined : Number(minutes) }),
          )}
          {cut.bones !== undefined
            ? choice(
                'Membrane',
                values.membrane ?? '',
                [
                  ['', 'as the cook likes'],
                  ['off', 'off'],
                  ['scored', 'scored'],
                  ['on', 'left on'],
                ],
                (each) => put({ membrane: (each || undefined) as PrepInput['membrane'] }),
              )
            : choice(
                'Fat cap',
                values.fatCap ?? '',
                [
                  ['', 'as the cook likes'],
                  ['off', 'all off'],
                  ['thin', withFigures('{6 mm} left', units)],
                  ['thick', 'left whole'],
                ],
                (each) => put({ fatCap: (each || undefined) as PrepInput['fatCap'] }),
              )}
          {choice(
            'Fat side',
            values.fatSide ?? '',
            [
              ['', 'as the cook likes'],
              ['up', 'up'],
              ['down', 'toward the heat'],
            ],
            (each) => put({ fatSide: (each || undefined) as PrepInput['fatSide'] }),
          )}
          <div className="self-end">
            <label className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={values.undersideLight}
                onChange={(event) => put({ undersideLight: event.target.checked })}
              />
              Underside light
            </label>
            <label className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={values.topUp ?? false}
                onChange={(event) => put({ topUp: event.target.checked || undefined })}
              />
              Topped up as it goes on
            </label>
          </div>
        </div>
      )}
      {seasoning.unsalted && (
        <p className="text-[0.9rem] font-semibold text-warn">
          No salt anywhere: neither brined nor salted, and nothing it is rubbed with has any. Salt it, or choose a rub with salt.
        </p>
      )}
      <p className="text-[0.85rem] text-soft">{withFigures(method?.practice ?? '', units)}</p>
    </div>
  );
}

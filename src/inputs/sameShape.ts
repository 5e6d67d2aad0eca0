import type * as model from '../core/model';
import type * as equipment from './equipmentRecord';
import type * as event from './eventRecord';
import type * as library from './libraryRecord';

/** `true` when two shapes have the same fields with the same types, optional where the other is; `never` otherwise. */
export type SameShape<A, B> = [keyof A] extends [keyof B]
  ? [keyof B] extends [keyof A]
    ? [A] extends [B]
      ? [B] extends [A]
        ? [OptionalKeys<A>] extends [OptionalKeys<B>]
          ? [OptionalKeys<B>] extends [OptionalKeys<A>]
            ? true
            : never
          : never
        : never
      : never
    : never
  : never;
type OptionalKeys<T> = { [K in keyof T]-?: undefined extends T[K] ? K : never }[keyof T];

/** One line for each thing that is kept: a field missing on either side stops the compiler here. */
export const SAME_SHAPE: {
  event: SameShape<event.EventRecord, model.CookEvent>;
  serving: SameShape<event.ServingRecord, model.Serving>;
  guests: SameShape<event.GuestsRecord, model.Guests>;
  side: SameShape<event.SideRecord, model.Side>;
  need: SameShape<event.GuestNeedRecord, model.GuestNeed>;
  batch: SameShape<event.BatchRecord, model.Batch>;
  piece: SameShape<event.PieceRecord, model.Piece>;
  second: SameShape<event.SecondDishRecord, model.SecondDish>;
  buying: SameShape<event.BuyingRecord, model.Buying>;
  prep: SameShape<event.PrepRecord, model.Prep>;
  received: SameShape<event.ReceiptRecord, model.Receipt>;
  leftover: SameShape<event.LeftoverRecord, model.Leftover>;
  override: SameShape<event.OverrideRecord, model.Override>;
  runWish: SameShape<event.RunWishRecord, model.RunWish>;
  scheme: SameShape<event.SchemeRecord, model.Scheme>;
  pin: SameShape<event.PinRecord, model.Pin>;
  manualPlacement: SameShape<event.ManualPlacementRecord, model.ManualPlacement>;
  namedPlan: SameShape<event.NamedPlanRecord, model.NamedPlan>;
  travel: SameShape<event.TravelChoiceRecord, model.TravelChoice>;
  place: SameShape<event.PlaceRecord, model.EventPlace>;
  road: SameShape<event.RoadRecord, model.Road>;
  standing: SameShape<event.StandingRecord, model.Standing>;
  duty: SameShape<event.DutyRecord, model.Duty>;
  hired: SameShape<event.HiredRecord, model.Hired>;
  holdSetPoint: SameShape<event.HoldSetPointRecord, model.HoldSetPoint>;
  venue: SameShape<event.VenueRecord, model.Venue>;
  weather: SameShape<event.DayWeatherRecord, model.DayWeather>;
  kitchen: SameShape<event.KitchenRecord, model.Kitchen>;
  loosened: SameShape<event.LoosenedRecord, model.Loosened>;
  baseline: SameShape<event.BaselineRecord, model.Baseline>;
  pit: SameShape<equipment.PitRecord, model.Pit>;
  rack: SameShape<equipment.RackRecord, model.Rack>;
  band: SameShape<equipment.HeatBandRecord, model.HeatBand>;
  blocked: SameShape<equipment.BlockedPartRecord, model.BlockedPart>;
  fuel: SameShape<equipment.PitFuelRecord, model.PitFuel>;
  box: SameShape<equipment.HoldingBoxRecord, model.HoldingBox>;
  warmer: SameShape<equipment.WarmerRecord, model.Warmer>;
  probe: SameShape<equipment.ProbeRecord, model.Probe>;
  member: SameShape<equipment.CrewMemberRecord, model.CrewMember>;
  habits: SameShape<library.HabitsRecord, model.Habits>;
  cut: SameShape<library.CutRecord, model.Cut>;
  method: SameShape<library.MethodRecord, model.Method>;
  wrapWhen: SameShape<library.WrapWhenRecord, model.WrapWhen>;
  spray: SameShape<library.SprayRecord, model.Spray>;
  hotFinish: SameShape<library.HotFinishRecord, model.HotFinish>;
  recipe: SameShape<library.RecipeRecord, model.Recipe>;
  ingredient: SameShape<library.IngredientRecord, model.Ingredient>;
} = {
  event: true,
  serving: true,
  guests: true,
  side: true,
  need: true,
  batch: true,
  piece: true,
  second: true,
  buying: true,
  prep: true,
  received: true,
  leftover: true,
  override: true,
  runWish: true,
  scheme: true,
  pin: true,
  manualPlacement: true,
  namedPlan: true,
  travel: true,
  place: true,
  road: true,
  standing: true,
  duty: true,
  hired: true,
  holdSetPoint: true,
  venue: true,
  weather: true,
  kitchen: true,
  loosened: true,
  baseline: true,
  pit: true,
  rack: true,
  band: true,
  blocked: true,
  fuel: true,
  box: true,
  warmer: true,
  probe: true,
  member: true,
  habits: true,
  cut: true,
  method: true,
  wrapWhen: true,
  spray: true,
  hotFinish: true,
  recipe: true,
  ingredient: true,
};

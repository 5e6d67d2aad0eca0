'use client';
import { CURRENCIES, kitchenOf, type CookEvent } from '../../core/model';
import { localDate, localTime } from '../../formats/clock';
import type { KitchenInput } from '../../inputs';
import type { Action } from './actions';
import { conversions } from './conversions';
import { FigureField, MomentField, SelectField } from './formFields';
import { InputForm } from './InputForm.client';
import { useUnits } from './UnitsProvider';

type K = KitchenInput;

const inputOf = (event: CookEvent): K => {
  const { deliverAtMs, ...kitchen } = kitchenOf(event);
  return {
    currency: (event.currency ?? 'USD') as K['currency'],
    ...kitchen,
    deliverDate: deliverAtMs === undefined ? undefined : localDate(deliverAtMs, event.timeZone),
    deliverTime: deliverAtMs === undefined ? undefined : localTime(deliverAtMs, event.timeZone),
  };
};

interface KitchenFormProps {
  event: CookEvent;
  saveKitchen: Action<CookEvent>;
  onDone(): void;
}

/** When the meat comes, how much is cold, who works when, and what prices are in. */
export function KitchenForm({ event, saveKitchen, onDone }: KitchenFormProps) {
  const { litres, percent, plain, price, runPrice } = conversions(useUnits());
  return (
    <InputForm<K, CookEvent>
      schema="KitchenInput"
      values={inputOf(event)}
      save={saveKitchen}
      saved={() => 'Saved; prep follows.'}
      onDone={onDone}
    >
      <MomentField<K> name="deliverDate" label="Meat comes on" kind="day" optional />
      <MomentField<K> name="deliverTime" label="at" kind="clock" optional />
      <SelectField<K> name="currency" label="Prices in" options={CURRENCIES.map((code) => [code, code] as const)} className="col-span-2" />
      <FigureField<K> name="fridgeLitres" label="Fridge space" conversion={litres} />
      <FigureField<K> name="tubLitres" label="Brine tubs" conversion={litres} />
      <FigureField<K> name="prepCrew" label="Pairs of hands for prep" conversion={plain} />
      <FigureField<K> name="carvers" label="Carvers" conversion={plain} />
      <FigureField<K> name="mayBeShortShare" label="May leave it short by" conversion={percent} optional />
      <FigureField<K> name="fromHour" label="Kitchen opens, hour" conversion={plain} />
      <FigureField<K> name="toHour" label="Kitchen closes, hour" conversion={plain} />
      <FigureField<K> name="handPerH" label="An hour of hands costs" conversion={plain} />
      <FigureField<K> name="seasoningPerKg" label="Rub, sauce and the like" conversion={price} />
      <FigureField<K> name="woodPerKg" label="Wood and pellets" conversion={price} />
      <FigureField<K> name="charcoalPerKg" label="Charcoal" conversion={price} />
      <FigureField<K> name="gasPerKg" label="Gas" conversion={price} />
      <FigureField<K> name="wrapPerM" label="Paper and foil" conversion={runPrice} />
    </InputForm>
  );
}

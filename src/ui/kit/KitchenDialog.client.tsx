'use client';
import { Truck } from 'lucide-react';
import { useState } from 'react';
import { kitchenOf, type CookEvent } from '../../core/model';
import { CURRENCIES, KitchenInput } from '../../inputs';
import { localDate, localTime } from '../../formats/clock';
import type { Action } from './actions';
import { Button } from './Button';
import { Dialog } from './Dialog';
import { InputForm } from './InputForm.client';
import { SelectField, conversions, FigureField, TextField } from './formFields';
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

/** When the meat comes, how much is cold, who works when, and what prices are in. */
export function KitchenDialog({ event, saveKitchen }: { event: CookEvent; saveKitchen: Action<CookEvent> }) {
  const [open, setOpen] = useState(false);
  const { litres, plain } = conversions(useUnits());
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Truck size={16} aria-hidden /> Delivery and kitchen
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Delivery and kitchen" description="What prep is planned within." wide>
        <InputForm<K, CookEvent>
          schema={KitchenInput}
          values={inputOf(event)}
          save={saveKitchen}
          saved={() => 'Saved; prep follows.'}
          onDone={() => setOpen(false)}
        >
          <TextField<K> name="deliverDate" label="Meat comes on" type="date" optional />
          <TextField<K> name="deliverTime" label="at" type="time" optional />
          <SelectField<K>
            name="currency"
            label="Prices in"
            options={CURRENCIES.map((code) => [code, code] as const)}
            className="col-span-2"
          />
          <FigureField<K> name="fridgeLitres" label="Fridge space" conversion={litres} />
          <FigureField<K> name="tubLitres" label="Brine tubs" conversion={litres} />
          <FigureField<K> name="prepCrew" label="Pairs of hands for prep" conversion={plain} />
          <FigureField<K> name="carvers" label="Carvers" conversion={plain} />
          <FigureField<K> name="fromHour" label="Kitchen opens, hour" conversion={plain} />
          <FigureField<K> name="toHour" label="Kitchen closes, hour" conversion={plain} />
        </InputForm>
      </Dialog>
    </>
  );
}

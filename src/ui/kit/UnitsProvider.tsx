'use client';
import { createContext, useContext, useState, type ReactNode } from 'react';
import { DEFAULT_UNITS, writeUnits, type Units } from '../../formats/units';

export type Light = 'light' | 'dark' | 'night';

interface Preferences {
  units: Units;
  light: Light;
  setUnits(units: Units): void;
  setLight(light: Light): void;
}

const Context = createContext<Preferences>({ units: DEFAULT_UNITS, light: 'light', setUnits: () => {}, setLight: () => {} });

const YEAR_S = 31_536_000;
const remember = (name: string, value: string) => {
  document.cookie = `${name}=${value}; path=/; max-age=${YEAR_S}; samesite=lax`;
};

/** Units and palette, remembered in cookies so that the server's first page already has them. */
export function UnitsProvider({ units: firstUnits, light: firstLight, children }: { units: Units; light: Light; children: ReactNode }) {
  const [units, keepUnits] = useState(firstUnits);
  const [light, keepLight] = useState(firstLight);
  const setUnits = (next: Units) => {
    keepUnits(next);
    remember('anachron-units', writeUnits(next));
  };
  const setLight = (next: Light) => {
    keepLight(next);
    document.documentElement.dataset.light = next;
    remember('anachron-light', next);
  };
  return <Context value={{ units, light, setUnits, setLight }}>{children}</Context>;
}

export const usePreferences = (): Preferences => useContext(Context);
export const useUnits = (): Units => useContext(Context).units;

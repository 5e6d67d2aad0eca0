'use client';
import { useSyncExternalStore } from 'react';

const KEY = 'anachron-name';
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whose phone this is, chosen once; undefined until then. */
export function useName(): [name: string | undefined, choose: (name: string) => void] {
  const name = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(KEY) || undefined,
    () => undefined,
  );
  return [
    name,
    (chosen) => {
      localStorage.setItem(KEY, chosen);
      for (const listener of listeners) listener();
    },
  ];
}

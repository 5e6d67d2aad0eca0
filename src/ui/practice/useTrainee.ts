'use client';
import { useSyncExternalStore } from 'react';

const KEY = 'anachron-trainee';
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Who practises at this screen; empty until somebody says. */
export function useTrainee(): [name: string, choose: (name: string) => void] {
  const name = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(KEY) ?? '',
    () => '',
  );
  return [
    name,
    (chosen) => {
      localStorage.setItem(KEY, chosen);
      for (const listener of listeners) listener();
    },
  ];
}

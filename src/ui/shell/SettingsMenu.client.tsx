'use client';
import { SlidersHorizontal } from 'lucide-react';
import { lazy } from 'react';
import { Popover } from '../kit/Popover.client';

const SettingsPanel = lazy(() => import('./SettingsPanel.client').then((made) => ({ default: made.SettingsPanel })));

/** Opens units and light. */
export function SettingsMenu() {
  return (
    <Popover
      label="Units and light"
      className="grid size-9 place-items-center rounded border border-transparent hover:border-line print:hidden"
      panelClassName="w-80 p-3"
      button={<SlidersHorizontal size={18} aria-hidden />}
    >
      {() => <SettingsPanel />}
    </Popover>
  );
}

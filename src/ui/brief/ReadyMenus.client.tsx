'use client';
import { READY_MENUS, type Library } from '../../core/model';
import { readyMenu } from '../../core/quantities';
import type { ServingInput } from '../../inputs';
import { Button } from '../kit/Button';
import { freshId, mealOfForm } from './briefForm';

interface ReadyMenusProps {
  library: Library;
  serving: ServingInput;
  onTake(menu: ReturnType<typeof readyMenu>): void;
}

/** Menus to begin with, in as many pieces as the guests need. */
export function ReadyMenus({ library, serving, onTake }: ReadyMenusProps) {
  return (
    <>
      <span className="text-[0.9rem] text-soft">or a ready-made menu:</span>
      {READY_MENUS.map(({ id, name }) => (
        <Button key={id} onClick={() => onTake(readyMenu(id, { ...serving, atMs: 0 }, library, () => mealOfForm(serving), freshId))}>
          {name}
        </Button>
      ))}
    </>
  );
}

'use client';
import { Flame } from 'lucide-react';
import { useState } from 'react';
import { success } from '../../core/outcome';
import { fireRecipeFor, type Pit } from '../../core/model';
import { recipeParts } from '../../formats/messages/fire';
import { capital, lowerPit, type MessageContext } from '../../formats/messages/names';
import { formatSetPoint } from '../../formats/units';
import type { FireRecipeRecord } from '../../inputs';
import { FireParts } from '../equipment/FireParts';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { InputForm } from '../kit/InputForm.client';
import type { DayScreen } from './dayScreen';
import type { Say } from './useDeeds';

interface FireAsMadeProps {
  pit: Pit;
  day: DayScreen;
  context: MessageContext;
  say: Say;
}

/** How a pit's fire was made that day: begun with the recipe it was printed by, changed to what was really done. */
export function FireAsMade({ pit, day, context, say }: FireAsMadeProps) {
  const [open, setOpen] = useState(false);
  const { units } = context;
  const setC = day.pits.find(({ pitId }) => pitId === pit.id)?.setC ?? 121;
  const said = day.fires[pit.id];
  const recipe = said ?? fireRecipeFor(pit, setC) ?? { pitC: setC };
  return (
    <div className="w-full">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p className="max-w-prose text-[0.92rem] text-soft">
          {said
            ? `${capital(recipeParts(said, units).join('; ')) || 'Nothing of it is written down'}, for ${formatSetPoint(said.pitC, units)}.`
            : 'How was its fire made? The log keeps it beside how it held.'}
        </p>
        <Button
          onClick={() => setOpen(true)}
          aria-label={`${said ? 'Change' : 'Write it down'}: the fire of the ${lowerPit(pit.name)} as it was made`}
        >
          <Flame size={16} aria-hidden /> {said ? 'Change' : 'Write it down'}
        </Button>
      </div>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title={`The fire of the ${lowerPit(pit.name)}`}
        description="As it was really made: coals, woods, air and water. What you do not know stays empty."
      >
        <InputForm<FireRecipeRecord, object>
          schema="FireRecipeRecord"
          values={recipe}
          save={async (input) => {
            say({ kind: 'fire', pitId: pit.id, recipe: input as FireRecipeRecord }, `The fire of the ${lowerPit(pit.name)}`);
            return success({});
          }}
          onDone={() => setOpen(false)}
          submitLabel="Keep it"
          className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4"
        >
          <FireParts<FireRecipeRecord> at={(part) => part} />
        </InputForm>
      </Dialog>
    </div>
  );
}

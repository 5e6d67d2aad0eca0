'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { EventPits, type EventPitsProps } from '../pits/EventPits.client';

export function PitsStage({ others, addSet }: Pick<EventPitsProps, 'others' | 'addSet'>) {
  const { event, facts, actions } = useEventDocument();
  return (
    <EventPits
      event={event}
      equipment={facts.equipment}
      others={others}
      addSet={addSet}
      chooseEquipment={actions.chooseEquipment}
      saveDay={actions.saveDay}
    />
  );
}

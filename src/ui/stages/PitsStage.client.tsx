'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { EventPits, type EventPitsProps } from '../pits/EventPits.client';

export function PitsStage({ others }: Pick<EventPitsProps, 'others'>) {
  const { event, facts, actions } = useEventDocument();
  return (
    <EventPits
      event={event}
      equipment={facts.equipment}
      others={others}
      chooseEquipment={actions.chooseEquipment}
      saveDay={actions.saveDay}
    />
  );
}

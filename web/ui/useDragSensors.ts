import { KeyboardSensor, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

/** A finger rests on a grip before it drags, so that a list can still be scrolled by it. */
const RESTS = { delay: 180, tolerance: 8 };
const STARTS = { distance: 6 };

/** A list that is put in order by mouse, finger or keys. */
export const useDragSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: STARTS }),
    useSensor(TouchSensor, { activationConstraint: RESTS }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

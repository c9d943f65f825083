import type {
  Announcements,
  CollisionDetection,
  DragEndEvent,
  KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import {
  closestCenter,
  KeyboardSensor,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { Weeks } from '@longbar/core';
import { formatDay } from '@longbar/core';
import { useState } from 'react';
import { IN_NO_WEEK } from './weekOf';

/** A finger that rests moves a machine; one that goes on scrolls the page. */
const REST = { delay: 200, tolerance: 8 };

/** What moves a machine: mouse, finger and keys; `letGo` is called when it is set down. */
export function useMoveSensors() {
  // Keys may come faster than the page is drawn: where they lead is counted here.
  const [keys] = useState(() => new WeekKeys());
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: REST }),
    useSensor(KeyboardSensor, { coordinateGetter: keys.next }),
  );
  return { sensors, letGo: keys.letGo };
}

/**
 * The week under the finger; beside all of them, and by keys, the nearest. By its middle alone a
 * machine could go to a long list nearby instead of the short week it is held over.
 */
export const weekUnder: CollisionDetection = (moved) => {
  const under = pointerWithin(moved);
  return under.length > 0 ? under : closestCenter(moved);
};

const ON: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};

/** An arrow key moves a week on or back, wherever that stands on the screen. */
class WeekKeys {
  private at: number | undefined;

  readonly letGo = () => {
    this.at = undefined;
  };

  readonly next: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
    const step = ON[event.code];
    if (step === undefined) return undefined;
    event.preventDefault();
    const places = [...context.droppableContainers.getEnabled()];
    const began = places.findIndex(({ id }) => id === context.active?.data.current?.week);
    this.at = Math.max(0, Math.min(places.length - 1, (this.at ?? began) + step));
    const next = places[this.at];
    const rect = next && context.droppableRects.get(next.id);
    const own = context.collisionRect;
    if (!rect || !own) return currentCoordinates;
    return {
      x: rect.left + (rect.width - own.width) / 2,
      y: rect.top + (rect.height - own.height) / 2,
    };
  };
}

export const HOW_TO_MOVE =
  'The space bar lifts a machine, the arrow keys move it a week on or back, the space bar sets it down, Escape leaves it where it was.';

/** What is told to whoever cannot see where a machine goes. */
export function announcements({ machines }: Weeks): Announcements {
  const nameOf = (id: string | number) => machines.find((each) => each.id === id)?.name ?? '';
  const where = (over: DragEndEvent['over']) =>
    !over
      ? 'no place'
      : over.id === IN_NO_WEEK
        ? 'no week'
        : `the week of ${formatDay(String(over.id))}`;
  return {
    onDragStart: ({ active }) => `${nameOf(active.id)} is lifted.`,
    onDragOver: ({ active, over }) => `${nameOf(active.id)} is over ${where(over)}.`,
    onDragEnd: ({ active, over }) => `${nameOf(active.id)} is put into ${where(over)}.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} stays where it was.`,
  };
}

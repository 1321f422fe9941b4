import {
  anchorAt,
  follow,
  linePoints,
  lineThrough,
  setPlaces,
  type Anchor,
  type LineElement,
  type Point,
} from '@gobrel/core';
import type { PointerEvent, ReactElement } from 'react';
import { Grip } from '../Grip';
import type { GripHands, GripProps, Pulled } from '../kind';

/** CSS pixels within which an end of a line finds the middle of a side. */
export const STICK = 18;

/** The points of a line, and between them places to put one in. A middle point goes by a double press. */
export function Grips({ element: line, hands, pull }: GripProps<LineElement>): ReactElement {
  const { scale } = hands;
  const points = linePoints(line);
  const last = points.length - 1;
  return (
    <>
      {points.slice(0, -1).map((point, index) => {
        const next = points[index + 1]!;
        return (
          <Grip
            key={`new${index}`}
            x={(point.x + next.x) / 2}
            y={(point.y + next.y) / 2}
            scale={scale}
            size={8}
            title="Bend here"
            className="rounded-full bg-petrol/50"
            onPointerDown={(event) => pull(event, pointPulled(hands, line, index, true))}
          />
        );
      })}
      {points.map((point, index) => {
        const isEnd = index === 0 || index === last;
        const isStuck = (index === 0 && line.from) || (index === last && line.to);
        return (
          <Grip
            key={index}
            {...point}
            scale={scale}
            title={index === 0 ? 'Start' : index === last ? 'End' : 'Middle point'}
            className={`rounded-full ${isStuck ? 'bg-ember' : 'bg-petrol'}`}
            onPointerDown={(event) => pull(event, pointPulled(hands, line, index, false))}
            onDoubleClick={isEnd ? undefined : () => takeOut(hands, line, index)}
          />
        );
      })}
    </>
  );
}

/** One point of a line; `isNew` puts one in after it. Ends stick to what they are let go over. */
export function pointPulled(
  hands: GripHands,
  line: LineElement,
  index: number,
  isNew: boolean,
): Pulled<Partial<LineElement>> {
  const points = linePoints(line);
  const last = points.length - 1;
  const end = isNew ? null : index === 0 ? 'from' : index === last ? 'to' : null;
  const others = hands.touchable.filter(({ id }) => id !== line.id);
  const withPoint = (at: Point): Point[] =>
    isNew
      ? [...points.slice(0, index + 1), at, ...points.slice(index + 1)]
      : points.map((point, place) => (place === index ? at : point));
  const anchor = (at: Point, event?: PointerEvent): Anchor | null =>
    end && !(event?.ctrlKey ?? false) ? anchorAt(others, at, STICK / hands.scale) : null;
  let isFree = false;
  return {
    id: line.id,
    become: (at, event) => {
      isFree = event.ctrlKey;
      const moved = { ...line, ...lineThrough(withPoint(at)) };
      const stuck = end ? { ...moved, [end]: anchor(at, event) } : moved;
      const { box, points, from, to } = follow(stuck, (id) =>
        hands.slide.elements.find((other) => other.id === id),
      );
      return { box, points, from, to };
    },
    keep: ({ box, points }, at) =>
      hands.run(setPlaces, hands.slide.id, [
        {
          elementId: line.id,
          box: box!,
          points: points!,
          ...(end ? { settings: { [end]: isFree ? null : anchor(at) } } : {}),
        },
      ]),
  };
}

/** Takes a middle point out of a line. */
function takeOut(hands: GripHands, line: LineElement, index: number): void {
  const points = linePoints(line).filter((_, place) => place !== index);
  if (points.length < 2) return;
  hands.run(setPlaces, hands.slide.id, [{ elementId: line.id, ...lineThrough(points) }]);
}

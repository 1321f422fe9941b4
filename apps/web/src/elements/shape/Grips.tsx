import {
  middleOf,
  pullShape,
  setElement,
  shapeKind,
  shapeValues,
  turn,
  type ShapeName,
  type SlideElement,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { boxStyle } from '../../parts/boxStyle';
import { Grip } from '../Grip';
import type { GripHands, GripProps, Pulled } from '../kind';

type Outlined = SlideElement & { points: number[] };

/** For what is a shape all over. */
export const Grips = (props: GripProps<Outlined & { shape: ShapeName }>): ReactElement => (
  <OutlineGrips {...props} shape={props.element.shape} />
);

/** Brass diamonds by which the outline of a shape is pulled. */
export function OutlineGrips({
  element,
  shape,
  hands,
  pull,
}: GripProps<Outlined> & { shape: ShapeName }): ReactElement {
  const { w, h } = element.box;
  const { adjust } = shapeKind(shape);
  const values = shapeValues(shape, element.points);
  const places = adjust.map(({ grip }) => grip(w, h, values));
  return (
    <div className="pointer-events-none" style={boxStyle(element.box, element.rotation)}>
      {places.map(({ x, y }, index) => {
        const isShared = places.findIndex((other) => other.x === x && other.y === y) < index;
        return isShared ? null : (
          <Grip
            key={index}
            x={x}
            y={y}
            scale={hands.scale}
            title={adjust[index]!.label}
            className="rotate-45 bg-brass"
            onPointerDown={(event) => pull(event, outlinePulled(hands, element, shape, index))}
          />
        );
      })}
    </div>
  );
}

/** One grip of a shape's outline. */
export function outlinePulled(
  { run, slide }: GripHands,
  { id, box, rotation, points }: Outlined,
  shape: ShapeName,
  index: number,
): Pulled<Pick<Outlined, 'points'>> {
  return {
    id,
    become: (at) => {
      const straight = turn(at, middleOf(box), -rotation);
      const local = { x: straight.x - box.x, y: straight.y - box.y };
      return { points: pullShape(shape, box, points, index, local) };
    },
    keep: (pulled) => run(setElement, slide.id, id, pulled),
  };
}

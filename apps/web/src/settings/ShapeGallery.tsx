import { SHAPE_GROUPS, shapeKind, shapePath, SHAPES, type ShapeName } from '@gobrel/core';
import type { ReactElement } from 'react';

const GROUP_NAMES: Record<(typeof SHAPE_GROUPS)[number], string> = {
  basic: 'Basic',
  corners: 'Corners and stars',
  arrows: 'Arrows',
  speech: 'Speech',
  signs: 'Signs',
  brackets: 'Brackets',
};

/** All shapes to choose from, by their groups. */
export function ShapeGallery(props: {
  value?: ShapeName;
  onChoose: (shape: ShapeName) => unknown;
}): ReactElement {
  return (
    <div className="flex flex-col gap-2">
      {SHAPE_GROUPS.map((group) => (
        <section key={group} aria-label={GROUP_NAMES[group]}>
          <h3 className="mb-1 font-body text-[12px] font-normal text-soft">{GROUP_NAMES[group]}</h3>
          <div className="flex flex-wrap gap-1">
            {SHAPES.filter((shape) => shapeKind(shape).group === group).map((shape) => (
              <button
                key={shape}
                type="button"
                aria-label={shapeKind(shape).label}
                title={shapeKind(shape).label}
                aria-pressed={props.value === shape}
                onClick={() => props.onChoose(shape)}
                className="grid size-9 place-items-center rounded-[4px] hover:bg-sand aria-pressed:bg-petrol-mist"
              >
                <svg
                  width={26}
                  height={22}
                  viewBox="-1 -1 28 24"
                  className="overflow-visible"
                  aria-hidden
                >
                  <path
                    d={shapePath(shape, 26, 22)}
                    className="fill-petrol-mist stroke-ink"
                    fillRule="evenodd"
                    strokeWidth={1.2}
                  />
                </svg>
              </button>
            ))}
          </div>
        </section>
      ))}
    </div>
  );
}

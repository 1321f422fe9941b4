import type { Area } from '@gobrel/core';
import type { CSSProperties, ReactElement } from 'react';

/** Where an area lies on its surface. */
export function areaStyle(area: Area): CSSProperties {
  const percent = (share: number): string => `${share * 100}%`;
  if (area.shape === 'outline') {
    const corners = area.corners;
    const places = Array.from(
      { length: corners.length / 2 },
      (_, at) => `${percent(corners[at * 2]!)} ${percent(corners[at * 2 + 1]!)}`,
    );
    return { inset: 0, clipPath: `polygon(${places.join(', ')})` };
  }
  return {
    left: percent(area.x),
    top: percent(area.y),
    width: percent(area.w),
    height: percent(area.h),
    ...(area.shape === 'ellipse' ? { borderRadius: '50%' } : {}),
  };
}

/** The line around an area, for those that are to be seen. */
export function AreaOutline({ area, isStrong }: { area: Area; isStrong?: boolean }): ReactElement {
  const look = { fill: 'none', vectorEffect: 'non-scaling-stroke' as const };
  const common = {
    ...look,
    stroke: isStrong ? '#17505C' : '#FFFFFF',
    strokeWidth: isStrong ? 4 : 2,
    style: { paintOrder: 'stroke', filter: 'drop-shadow(0 0 1px #1E2B32)' },
  };
  const [x, y, w, h] = [area.x, area.y, area.w, area.h].map((share) => share * 1000);
  switch (area.shape) {
    case 'box':
      return <rect x={x} y={y} width={w} height={h} {...common} />;
    case 'ellipse':
      return <ellipse cx={x! + w! / 2} cy={y! + h! / 2} rx={w! / 2} ry={h! / 2} {...common} />;
    case 'outline':
      return <polygon points={area.corners.map((share) => share * 1000).join(' ')} {...common} />;
  }
}

export const AreaOutlines = (props: {
  areas: readonly Area[];
  strong?: readonly string[];
}): ReactElement => (
  <svg
    viewBox="0 0 1000 1000"
    preserveAspectRatio="none"
    className="pointer-events-none absolute inset-0 size-full"
    aria-hidden
  >
    {props.areas.map((area) => (
      <AreaOutline key={area.id} area={area} isStrong={props.strong?.includes(area.id)} />
    ))}
  </svg>
);

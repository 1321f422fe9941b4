import { DENSITY_FIELDS, isOn, spotsOf, type Spot } from '@gobrel/core';
import { useMemo, useState, type ReactElement } from 'react';
import { Segments } from '../../ui/Segments';
import { Bars } from '../Bars';
import { AreaOutlines } from '../hotspot/AreaButton';
import { PictureSurface } from '../PictureSurface';
import type { TallyViewProps } from '../kind';
import { useHeavy } from '../useHeavy';
import { MarkField } from './MarkField';

type View = 'markers' | 'density' | 'groups';
const VIEWS: { value: View; label: string }[] = [
  { value: 'markers', label: 'All markers' },
  { value: 'density', label: 'Density' },
  { value: 'groups', label: 'Groups' },
];

/** All markers over the picture, how dense they lie, and where they lie together; the share in each area of the key. */
export default function SelectPointTallyView(props: TallyViewProps<'selectPoint'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { marker } = element.question;
  const [view, setView] = useState<View>('markers');
  const spots = useMemo(() => spotsOf(tally), [tally]);
  const heavy = useHeavy({ what: 'spots', spots });
  const areas = showsKey ? (element.key?.areas ?? []) : [];
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <Segments label="Shown" value={view} options={VIEWS} onChange={setView} />
      <PictureSurface picture={element.picture} alt={element.pictureAlt}>
        {view === 'density' && heavy && <Density field={heavy.density} />}
        {view !== 'density' && (
          <MarkField spots={spots} marker={marker} opacity={view === 'groups' ? 0.35 : 0.75} />
        )}
        {view === 'groups' &&
          heavy?.clusters.map(({ x, y, radius, count }, index) => (
            <Ring key={index} spot={{ x, y }} radius={radius} count={count} />
          ))}
        <AreaOutlines areas={areas} />
      </PictureSurface>
      {areas.length > 0 && (
        <Bars
          caption="Markers in each area"
          students={spots.length}
          rows={areas.map((area, index) => ({
            id: area.id,
            text: area.label || `area ${index + 1}`,
            count: spots.filter((spot) => isOn(area, spot, marker)).length,
            look: area.weight > 0 ? ('key' as const) : ('plain' as const),
          }))}
        />
      )}
      <p className="text-[13px] text-soft">
        {spots.length} markers of {tally.answered} of {students} students
        {view === 'groups' && heavy && `; ${heavy.strays} lie alone`}.
      </p>
    </div>
  );
}

function Ring(props: { spot: Spot; radius: number; count: number }): ReactElement {
  const { spot, radius, count } = props;
  const size = `${Math.max(0.04, radius) * 200}%`;
  return (
    <span
      className="absolute grid -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-[3px] border-petrol bg-white/40 font-bold text-petrol"
      style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%`, width: size, aspectRatio: 1 }}
    >
      {count}
    </span>
  );
}

function Density({ field }: { field: readonly number[] }): ReactElement {
  return (
    <svg
      viewBox={`0 0 ${DENSITY_FIELDS} ${DENSITY_FIELDS}`}
      preserveAspectRatio="none"
      className="absolute inset-0 size-full"
      aria-hidden
    >
      {field.map((value, index) =>
        value > 0.03 ? (
          <rect
            key={index}
            x={index % DENSITY_FIELDS}
            y={Math.floor(index / DENSITY_FIELDS)}
            width={1.02}
            height={1.02}
            fill="#17505C"
            fillOpacity={0.1 + 0.75 * value}
          />
        ) : null,
      )}
    </svg>
  );
}

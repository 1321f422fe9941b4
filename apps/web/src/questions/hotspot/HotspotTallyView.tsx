import type { ReactElement } from 'react';
import { Bars, missingRow } from '../Bars';
import { PictureSurface } from '../PictureSurface';
import type { TallyViewProps } from '../kind';
import { AreaOutlines, areaStyle } from './AreaButton';

/** How many picked each area, in the picture and beside it. */
export default function HotspotTallyView(props: TallyViewProps<'hotspot'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { areas } = element.question;
  const key = showsKey ? (element.key?.areaIds ?? []) : [];
  const count = (id: string): number => tally.picks[id] ?? 0;
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <PictureSurface picture={element.picture} alt={element.pictureAlt}>
        {areas.map((area) => (
          <span
            key={area.id}
            className="absolute grid place-items-center bg-petrol font-bold text-white"
            style={{
              ...areaStyle(area),
              opacity: 0.15 + 0.7 * (tally.answered > 0 ? count(area.id) / tally.answered : 0),
            }}
          />
        ))}
        <AreaOutlines areas={areas} strong={key} />
      </PictureSurface>
      <Bars
        caption="Picks by area"
        students={students}
        rows={[
          ...areas.map(({ id, label }, index) => ({
            id,
            text: label || `area ${index + 1}`,
            count: count(id),
            look: key.includes(id) ? ('key' as const) : ('plain' as const),
          })),
          missingRow(students, tally.answered),
        ]}
      />
    </div>
  );
}

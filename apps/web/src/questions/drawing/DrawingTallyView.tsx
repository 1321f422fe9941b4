import { useMemo, useState, type ReactElement } from 'react';
import { Segments } from '../../ui/Segments';
import { PictureSurface, shapeOf } from '../PictureSurface';
import type { TallyViewProps } from '../kind';
import { DrawnView } from './DrawnView';
import { useDrawnPaths } from './useDrawnPaths';

/** The drawings over each other, one of them stepped out of the rest if wished; or side by side. */
export default function DrawingTallyView(props: TallyViewProps<'drawing'>): ReactElement {
  const { element, students, answers } = props;
  const [view, setView] = useState<'over' | 'tiles'>('over');
  const [only, setOnly] = useState(0);
  const drawings = useMemo(() => answers.map(({ strokes }) => strokes), [answers]);
  const paths = useDrawnPaths(drawings);
  const ratio = shapeOf(element.picture);
  const paper = (children: ReactElement[]): ReactElement => (
    <PictureSurface picture={element.picture} alt={element.pictureAlt}>
      {children}
    </PictureSurface>
  );
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <Segments
        label="Shown"
        value={view}
        options={[
          { value: 'over', label: 'Over each other' },
          { value: 'tiles', label: 'Side by side' },
        ]}
        onChange={setView}
      />
      {view === 'over' ? (
        <>
          {paper(
            answers.map((drawing, index) => (
              <DrawnView
                key={index}
                drawing={drawing}
                ratio={ratio}
                paths={paths[index] ?? null}
                opacity={
                  only === 0
                    ? Math.max(0.15, 1 / Math.sqrt(answers.length))
                    : only === index + 1
                      ? 1
                      : 0.06
                }
              />
            )),
          )}
          <label className="flex items-center gap-2 text-[13px] text-soft">
            One after the other
            <input
              type="range"
              min={0}
              max={answers.length}
              value={only}
              onChange={(event) => setOnly(Number(event.target.value))}
              className="flex-1 accent-petrol"
            />
            {only === 0 ? 'all' : only}
          </label>
        </>
      ) : (
        <ul className="grid grid-cols-3 gap-2">
          {answers.map((drawing, index) => (
            <li key={index} className="text-[8px]">
              {paper([
                <DrawnView key={0} drawing={drawing} ratio={ratio} paths={paths[index] ?? null} />,
              ])}
            </li>
          ))}
        </ul>
      )}
      <p className="text-[13px] text-soft">
        {answers.length} of {students} have drawn.
      </p>
    </div>
  );
}

import type { ReactElement } from 'react';
import { PictureSurface, WithTools } from '../PictureSurface';
import type { QuestionInputProps, QuestionStillProps } from '../kind';
import { AreaOutlines, areaStyle } from './AreaButton';

export function Still({ element, question }: QuestionStillProps<'hotspot'>): ReactElement {
  return (
    <WithTools
      picture={
        <PictureSurface picture={element.picture} alt={element.pictureAlt}>
          {question.isOutlined && <AreaOutlines areas={question.areas} />}
        </PictureSurface>
      }
    />
  );
}

/** Areas are picked by pointing at them, or with Tab and the space bar. */
export function Input(props: QuestionInputProps<'hotspot'>): ReactElement {
  const { element, question, isHeld } = props;
  const picked = props.answer?.areaIds ?? [];
  const pick = (id: string): void => {
    const others = picked.filter((other) => other !== id);
    const next = picked.includes(id)
      ? others
      : question.most === 1
        ? [id]
        : [...others, id].slice(-question.most);
    props.onAnswer({
      kind: 'hotspot',
      areaIds: question.areas.map((area) => area.id).filter((area) => next.includes(area)),
    });
  };
  return (
    <WithTools
      picture={
        <PictureSurface picture={element.picture} alt={element.pictureAlt}>
          <AreaOutlines
            areas={
              question.isOutlined
                ? question.areas
                : question.areas.filter(({ id }) => picked.includes(id))
            }
            strong={picked}
          />
          {question.areas.map((area, index) => (
            <button
              key={area.id}
              type="button"
              disabled={isHeld}
              aria-pressed={picked.includes(area.id)}
              aria-label={area.label || `Area ${index + 1}`}
              onClick={() => pick(area.id)}
              className="absolute outline-offset-[-3px] focus-visible:bg-petrol/25 aria-pressed:bg-petrol/35"
              style={areaStyle(area)}
            />
          ))}
        </PictureSurface>
      }
      tools={
        <p className="text-soft" role="status">
          {picked.length === 0
            ? `Pick ${question.most === 1 ? 'a place' : `up to ${question.most} places`} in the picture.`
            : `${picked.length} of ${question.most} picked.`}
        </p>
      }
    />
  );
}

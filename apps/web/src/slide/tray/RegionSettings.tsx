import {
  addCloseUpStop,
  removeStop,
  shapeKind,
  type CloseUpElement,
  type ElementId,
  type HotspotElement,
  type SlideId,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Check, Line, Pop } from '../../ui/controls';
import { OutlinePop } from './colours';
import type { SettingsOf } from './settings';
import { ShapeGallery } from './ShapeGallery';

/** Hotspots and close-ups: areas of any shape with a name. */
export function RegionSettings(props: SettingsOf<HotspotElement | CloseUpElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Pop label="Shape" value={shapeKind(element.shape).label} width={330}>
        <ShapeGallery value={element.shape} onChoose={(shape) => set({ shape, points: [] })} />
      </Pop>
      {element.kind === 'closeup' && (
        <>
          <Check
            label="Its outline is shown"
            isOn={element.isSeen}
            onChange={(isSeen) => set({ isSeen })}
          />
          <TrailStops slideId={props.slide.id} closeUpId={element.id} />
          {element.isSeen && (
            <OutlinePop
              theme={theme}
              value={element.outline}
              onChange={(outline) => set({ outline })}
            />
          )}
        </>
      )}
    </>
  );
}

/** The trails that fly into a close-up. */
function TrailStops(props: { slideId: SlideId; closeUpId: ElementId }): ReactElement {
  const { slideId, closeUpId } = props;
  const { deck, doc, run } = useDeck();
  const stopOn = (trail: (typeof deck.trails)[number]): string | undefined =>
    trail.stops.find((stop) => stop.slideId === slideId && stop.closeUpId === closeUpId)?.id;
  const count = deck.trails.filter(stopOn).length;
  return (
    <Pop label="On trails" value={count === 0 ? 'none' : String(count)}>
      {deck.trails.length === 0 && (
        <p className="text-soft">This deck has no trails yet: make one on the map.</p>
      )}
      {deck.trails.map((trail) => {
        const stopId = stopOn(trail);
        return (
          <Check
            key={trail.id}
            label={trail.name}
            isOn={stopId !== undefined}
            onChange={(isOn) => {
              if (isOn) run(addCloseUpStop(doc, trail.id, slideId, closeUpId));
              else if (stopId) run(removeStop(doc, trail.id, stopId));
            }}
          />
        );
      })}
    </Pop>
  );
}

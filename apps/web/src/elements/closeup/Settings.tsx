import {
  addCloseUpStop,
  removeStop,
  type CloseUpElement,
  type ElementId,
  type SlideId,
  type StopId,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { OutlinePop } from '../../settings/colours';
import { RegionPop } from '../../settings/RegionPop';
import type { SettingsOf } from '../../settings/settings';
import { Check, Line, Pop } from '../../ui/controls';

export function Settings(props: SettingsOf<CloseUpElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <RegionPop shape={element.shape} set={set} />
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
  );
}

/** The trails that fly into a close-up. */
function TrailStops(props: { slideId: SlideId; closeUpId: ElementId }): ReactElement {
  const { slideId, closeUpId } = props;
  const { deck, run } = useDeck();
  const stopOn = (trail: (typeof deck.trails)[number]): StopId | undefined =>
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
              if (isOn) run(addCloseUpStop, trail.id, slideId, closeUpId);
              else if (stopId) run(removeStop, trail.id, stopId);
            }}
          />
        );
      })}
    </Pop>
  );
}

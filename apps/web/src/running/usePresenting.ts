import {
  choicesOf,
  entryAt,
  routeGraph,
  shownSlide,
  trailToWalk,
  walkOn,
  type Deck,
  type Link,
  type LinkId,
  type RouteGraph,
  type Slide,
  type TrailId,
} from '@gobrel/core';
import { useCallback, useMemo, useState } from 'react';
import { openBeside } from '../links/openTarget';
import { useNotices } from '../ui/Notice';
import { useWalking, type Walking } from '../walking/useWalking';
import type { ShowLine } from './useShowLine';
import { useSteering } from './useSteering';

/** A show as it is steered from beside it. */
export interface Presenting {
  graph: RouteGraph;
  walking: Walking;
  slide: Slide | undefined;
  trailId: TrailId | null;
  isBlack: boolean;
  /** Where somebody can choose to go from here. */
  choices: readonly Link[];
  /** Where an arrow leads; undefined where it waits, is over, or something comes on this slide first. */
  next: Slide | undefined;
  follow: (linkId: LinkId) => void;
  setTrail: (trailId: TrailId | null) => void;
  setIsBlack: (isBlack: boolean) => void;
}

/** Steers a show from beside it: `deck` as the show meets it. */
export function usePresenting(deck: Deck, line: ShowLine): Presenting {
  const { tell } = useNotices();
  const [trailId, setTrail] = useState<TrailId | null>(line.show.place?.trailId ?? null);
  const [isBlack, setIsBlack] = useState(line.show.place?.isBlack ?? false);
  const graph = useMemo(() => routeGraph(deck), [deck]);
  const ground = useMemo(
    () => ({ deck, graph, trail: trailToWalk(deck, trailId), isLed: trailId !== null }),
    [deck, graph, trailId],
  );
  const walking = useWalking(ground, (id) => entryAt(deck.slides, id), {
    from: shownSlide(line.show.place),
    onStopped: useCallback(() => tell('It waits here for a choice, or is at its end.'), [tell]),
  });
  useSteering(line, { walking, trailId, isBlack }, (place) => {
    walking.takeOver(place.walk);
    setTrail(place.trailId);
    setIsBlack(place.isBlack);
  });
  const slide = entryAt(deck.slides, walking.here);
  const next = walkOn(ground, walking.walk)?.at(-1)?.slideId;
  return {
    graph,
    walking,
    slide,
    trailId,
    isBlack,
    choices: slide ? choicesOf(graph, slide.id) : [],
    next: next === walking.here ? undefined : entryAt(deck.slides, next),
    follow: (linkId) => {
      const target = entryAt(deck.links, linkId)?.target;
      if (!target || openBeside(target)) return;
      if (!walking.follow(linkId))
        tell('That leads out of this deck: follow it in the show itself.');
    },
    setTrail,
    setIsBlack,
  };
}

import {
  cameraFor,
  closeUpOf,
  WHOLE_SLIDE,
  type Camera,
  type ElementId,
  type Slide,
} from '@gobrel/core';
import { Suspense, useEffect, useState, type ReactElement } from 'react';
import { part } from '../offline/part';

const WholeSlide = part(() => import('./WholeSlide'));

/**
 * The camera of a walk: a slide is met whole, and then flown into when the step leads to one of its close-ups.
 * `step` tells apart two steps that lead to the same place.
 */
export function useFlight(
  slide: Slide | undefined,
  closeUpId: ElementId | null | undefined,
  step: number,
): { camera: Camera; way: ReactElement | null } {
  const here = slide ? `${slide.id} ${step}` : '';
  const [flight, setFlight] = useState<{ here: string; isIn: boolean }>({ here: '', isIn: false });
  const closeUp = slide && closeUpOf(slide, closeUpId ?? null);
  useEffect(() => {
    // A moment with the whole slide, so that one sees where the close-up lies.
    const timer = setTimeout(() => setFlight({ here, isIn: true }), 30);
    return () => clearTimeout(timer);
  }, [here]);
  const isIn = Boolean(closeUp) && flight.here === here && flight.isIn;
  return {
    camera: slide && isIn ? cameraFor(slide, closeUp!.id) : WHOLE_SLIDE,
    way: isIn ? (
      <Suspense>
        <WholeSlide onLeave={() => setFlight({ here, isIn: false })} />
      </Suspense>
    ) : null,
  };
}

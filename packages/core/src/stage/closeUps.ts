import { STAGE, type Box } from '../parts/place.js';
import type { CloseUpElement } from '../elements/closeup/closeup.js';
import type { Slide } from '../deck/types.js';
import type { ElementId } from '../parts/ids.js';

/** How a slide is looked at: moved and enlarged so that a part of it fills the stage. */
export interface Camera {
  scale: number;
  x: number;
  y: number;
}

export const WHOLE_SLIDE: Camera = { scale: 1, x: 0, y: 0 };

/** Room left round a close-up, as a share of it. */
const MARGIN = 0.04;

/** The camera that shows a part of the slide as large as it can be seen whole, in the middle of the stage. */
export function cameraOn({ x, y, w, h }: Box): Camera {
  const scale = Math.min(STAGE.width / (w * (1 + MARGIN)), STAGE.height / (h * (1 + MARGIN)));
  return {
    scale,
    x: STAGE.width / 2 - scale * (x + w / 2),
    y: STAGE.height / 2 - scale * (y + h / 2),
  };
}

export function closeUpOf(slide: Slide, id: ElementId | null): CloseUpElement | undefined {
  return slide.elements.find(
    (element): element is CloseUpElement => element.kind === 'closeup' && element.id === id,
  );
}

/** The camera for a stop or a link that leads to a close-up; the whole slide when there is none. */
export function cameraFor(slide: Slide, id: ElementId | null): Camera {
  const closeUp = closeUpOf(slide, id);
  return closeUp ? cameraOn(closeUp.box) : WHOLE_SLIDE;
}

import { seeded } from '../parts/seeded.js';
import { contrast, luminanceOf } from '../parts/luminance.js';
import { mixed } from '../parts/mixed.js';
import { STAGE } from '../parts/place.js';
import type { SceneColours } from '../themes/kind.js';
import { sceneColours } from '../themes/scenes.js';
import type { Theme } from '../themes/theme.js';
import { Brush, rect, type Mark } from './Brush.js';
import { SCENES } from './scenes/index.js';
import { sceneBox, type Scenery } from './scenery.js';

/** A picture made of marks, bottom to top, over the paper of its theme. */
export function drawScenery({ name, role, seed, isQuiet, theme }: Scenery): Mark[] {
  const brush = new Brush(isQuiet ? quietened(theme) : sceneColours(theme), seed);
  const { from, to } = { from: theme.colours.paper, to: brush.colours.sky };
  brush.fill({ from, to }, [rect(0, 0, STAGE.width, STAGE.height)]);
  const box = sceneBox(name, role);
  SCENES[name](brush, box);
  // What lies along the foot can be seen from either side.
  const isMirrored = box.x === 0 && seeded(~seed)() < 0.5;
  return isMirrored ? brush.marks.map(mirrored) : brush.marks;
}

const mirrored = (mark: Mark): Mark => ({
  ...mark,
  shapes: mark.shapes.map((shape) =>
    shape.map((value, at) => (at % 2 === 0 ? Math.round((STAGE.width - value) * 10) / 10 : value)),
  ),
});

/** WCAG 1.4.3, level AA, with a little to spare for marks that lie over each other. */
const READS = 5;
/** How much of a colour is left in quiet scenery, at the most. */
const MOST_LEFT = 0.34;

/** The colours of a scenery, mixed into the paper until ink and titles can be read on each of them. */
function quietened(theme: Theme): SceneColours {
  const { paper, ink, head } = theme.colours;
  const inks = [ink, head].map(luminanceOf);
  const quiet = (colour: string): string => {
    for (let left = MOST_LEFT; left > 0; left -= 0.04) {
      const now = mixed(paper, colour, left);
      if (inks.every((one) => contrast(one, luminanceOf(now)) >= READS)) return now;
    }
    return paper;
  };
  return Object.fromEntries(
    Object.entries(sceneColours(theme)).map(([key, colour]) => [key, quiet(colour as string)]),
  ) as unknown as SceneColours;
}

/** A mark as the `d` of an SVG path. */
export const pathOf = ({ shapes, width }: Mark): string =>
  shapes
    .map((shape) => {
      let path = '';
      for (let at = 0; at + 1 < shape.length; at += 2) {
        path += `${at === 0 ? 'M' : 'L'}${shape[at]} ${shape[at + 1]}`;
      }
      return width > 0 ? path : `${path}Z`;
    })
    .join('');

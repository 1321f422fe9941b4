import type { Box } from '../../parts/place.js';
import type { SceneryName } from '../../themes/kind.js';
import type { Brush } from '../Brush.js';
import { blueprint, chalk, stars } from './drawn.js';
import { hills, orchard } from './land.js';
import { herbarium, sheets, workshop } from './made.js';
import { attic, city } from './town.js';
import { harbour, pool } from './water.js';

/** What paints each scenery into the part of the slide that is kept for it. */
export const SCENES: Record<SceneryName, (brush: Brush, box: Box) => void> = {
  sheets,
  hills,
  herbarium,
  harbour,
  stars,
  blueprint,
  pool,
  chalk,
  orchard,
  city,
  workshop,
  attic,
};

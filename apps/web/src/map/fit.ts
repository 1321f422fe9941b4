import type { FitViewOptions } from '@xyflow/react';

/** The whole map in sight, clear of the bar at its foot, no card larger than it was drawn for. */
export const WHOLE_MAP: FitViewOptions = {
  padding: { top: '28px', left: '28px', right: '28px', bottom: '84px' },
  maxZoom: 1.05,
};

import type { ReactElement } from 'react';

/** How a plan is written, beside every field that one is written in. */
export const PlanSigns = (): ReactElement => (
  <>
    A line is a slide, the lines under it its choices: “Wording: text”.{' '}
    <code>Back -&gt; Its title</code> joins a slide that stands elsewhere; <code>(ending)</code>{' '}
    ends a walk.
  </>
);

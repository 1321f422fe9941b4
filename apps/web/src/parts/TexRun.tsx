import { Suspense, type ReactElement } from 'react';
import { part } from '../offline/part';

const DrawnTex = part(() => import('./DrawnTex'));

/** A formula among words; as it was typed until what draws it has come. */
export const TexRun = (props: { tex: string; spoken?: string }): ReactElement => (
  <Suspense fallback={props.tex}>
    <DrawnTex {...props} />
  </Suspense>
);

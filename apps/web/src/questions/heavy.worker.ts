import { clustersOf, densityOf, likeGroups } from '@gobrel/core';
import { inkPath } from '../parts/inkPath';
import type { HeavyAnswer, HeavyWork } from './useHeavy';

/** Groups, clusters and drawings of a class's answers, off the main thread. */
self.onmessage = ({ data }: MessageEvent<{ id: number; work: HeavyWork }>): void => {
  self.postMessage({ id: data.id, answer: done(data.work) });
};

function done(work: HeavyWork): HeavyAnswer {
  switch (work.what) {
    case 'texts':
      return { what: 'texts', groups: likeGroups(work.texts, work.likened) };
    case 'spots':
      return { what: 'spots', ...clustersOf(work.spots), density: densityOf(work.spots) };
    case 'strokes':
      return { what: 'strokes', paths: work.strokes.map(inkPath) };
  }
}

import { clustersOf, densityOf, likeGroups } from '@gobrel/core';
import type { HeavyAnswer, HeavyWork } from './useHeavy';

/** Groups and clusters of a class's answers, off the main thread. */
self.onmessage = ({ data }: MessageEvent<{ id: number; work: HeavyWork }>): void => {
  const { id, work } = data;
  const answer: HeavyAnswer =
    work.what === 'texts'
      ? { what: 'texts', groups: likeGroups(work.texts, work.likened) }
      : { what: 'spots', ...clustersOf(work.spots), density: densityOf(work.spots) };
  self.postMessage({ id, answer });
};

import type { Cluster, InkStroke, Likened, LikeGroup, Spot } from '@gobrel/core';
import { useEffect, useState } from 'react';

export type HeavyWork =
  | { what: 'texts'; texts: Record<string, number>; likened: Likened }
  | { what: 'spots'; spots: readonly Spot[] }
  | { what: 'strokes'; strokes: readonly InkStroke[] };
export type HeavyAnswer =
  | { what: 'texts'; groups: LikeGroup[] }
  | { what: 'spots'; clusters: Cluster[]; strays: number; density: number[] }
  | { what: 'strokes'; paths: string[] };
type AnswerTo<W extends HeavyWork> = Extract<HeavyAnswer, { what: W['what'] }>;

let worker: Worker | undefined;
let orders = 0;
const waiting = new Map<number, (answer: never) => void>();

/** What the worker makes of something, once. */
export function inWorker<W extends HeavyWork>(work: W): Promise<AnswerTo<W>> {
  if (!worker) {
    worker = new Worker(new URL('./heavy.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<{ id: number; answer: HeavyAnswer }>): void => {
      // It answers what it was asked.
      waiting.get(data.id)?.(data.answer as never);
      waiting.delete(data.id);
    };
  }
  const id = ++orders;
  worker.postMessage({ id, work });
  return new Promise((done) => waiting.set(id, done));
}

/** What a worker makes of the answers; the last it made while it is at work on newer ones, nothing before the first. */
export function useHeavy<W extends HeavyWork>(work: W): AnswerTo<W> | null {
  const [answer, setAnswer] = useState<AnswerTo<W> | null>(null);
  const key = JSON.stringify(work);
  useEffect(() => {
    let isWanted = true;
    void inWorker(JSON.parse(key) as W).then((made) => {
      if (isWanted) setAnswer(made);
    });
    return () => {
      isWanted = false;
    };
  }, [key]);
  return answer;
}

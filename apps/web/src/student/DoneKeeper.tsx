import { useEffect } from 'react';
import type { Done } from '../questions/DoneButton';
import { useDone } from './useDone';

/** Keeps what a student is done with, where marks come for that: see `useDone`. A part of the page that shows nothing. */
export default function DoneKeeper({
  onDone,
  ...args
}: Parameters<typeof useDone>[0] & { onDone: (done: Done | null) => void }): null {
  const done = useDone(args);
  useEffect(() => onDone(done), [done, onDone]);
  useEffect(() => () => onDone(null), [onDone]);
  return null;
}

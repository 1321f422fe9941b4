import * as Y from 'yjs';
import { OPENING_STATE, readLessonState, writeLessonState } from '../index.js';

/** A document made anew by the server, as after a restart. */
function made(state: typeof OPENING_STATE): Y.Doc {
  const doc = new Y.Doc();
  writeLessonState(doc, state);
  return doc;
}

test('a device that was away takes the later state, whichever copy of the document it comes from', () => {
  for (let round = 0; round < 20; round++) {
    const device = made({ ...OPENING_STATE, version: 3, isHeld: true });
    const server = made({ ...OPENING_STATE, version: 4, pace: 'together' });
    Y.applyUpdate(device, Y.encodeStateAsUpdate(server));
    expect(readLessonState(device)).toMatchObject({ version: 4, isHeld: false, pace: 'together' });
    writeLessonState(server, { ...OPENING_STATE, version: 10 });
    Y.applyUpdate(device, Y.encodeStateAsUpdate(server));
    expect(readLessonState(device)?.version).toBe(10);
  }
});

test('an empty document has no state; forged values become the plainest one', () => {
  const doc = new Y.Doc();
  expect(readLessonState(doc)).toBeNull();
  doc.getMap('lesson').set('x', { pace: 'sideways', presenting: 'me', slideId: 7 });
  expect(readLessonState(doc)).toEqual({ ...OPENING_STATE, presenting: null });
});

test('what was set earlier and comes later undoes nothing', () => {
  const doc = made({ ...OPENING_STATE, version: 10, isHeld: true });
  writeLessonState(doc, { ...OPENING_STATE, version: 9 });
  expect(readLessonState(doc)).toMatchObject({ version: 10, isHeld: true });
});

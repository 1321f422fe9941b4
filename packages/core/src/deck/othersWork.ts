import * as Y from 'yjs';

/** Insertions of one step of undo, as Yjs keeps them. */
type Insertions = Y.UndoManager['undoStack'][number]['insertions'];

/** The item as it stands after undo and redo have brought it back. */
function standing(doc: Y.Doc, item: Y.Item): Y.Item {
  let now = item;
  while (now.redone) {
    const next: unknown = Y.getItem(doc.store, now.redone);
    if (!(next instanceof Y.Item)) break;
    now = next;
  }
  return now;
}

const typeIn = (item: Y.Item): Y.AbstractType<unknown> | null =>
  item.content instanceof Y.ContentType ? item.content.type : null;

function* itemsIn(type: Y.AbstractType<unknown>): Generator<Y.Item> {
  for (let item = type._start; item; item = item.right) if (!item.deleted) yield item;
  for (const item of type._map.values()) if (!item.deleted) yield item;
}

/** Whether somebody else has put words or a thing of their own into it. */
function holdsOthers(type: Y.AbstractType<unknown>, own: number): boolean {
  for (const item of itemsIn(type)) {
    const within = typeIn(item);
    const isWork =
      within !== null || (type instanceof Y.Text && item.content instanceof Y.ContentString);
    if (isWork && item.id.client !== own) return true;
    if (within && holdsOthers(within, own)) return true;
  }
  return false;
}

/**
 * What undoing a step must leave: things that the step made and somebody else has written in since, with all that is
 * set on them. What the step wrote in them itself is not among it.
 */
export function keptForOthers(doc: Y.Doc, insertions: Insertions): Set<Y.Item> {
  const kept = new Set<Y.Item>();
  if (doc.store.clients.size < 2) return kept;
  doc.transact((transaction) => {
    Y.iterateDeletedStructs(transaction, insertions, (struct) => {
      const item = struct instanceof Y.Item ? standing(doc, struct) : null;
      const type = item && !item.deleted ? typeIn(item) : null;
      if (!item || !type || !holdsOthers(type, doc.clientID)) return;
      kept.add(item);
      for (const setting of type._map.values()) if (!typeIn(setting)) kept.add(setting);
    });
  });
  return kept;
}

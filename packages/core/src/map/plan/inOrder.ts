/** All items in the order they are written. */
export function* inOrder<Item extends { children: Item[] }>(
  items: readonly Item[],
): Generator<Item> {
  const waiting = [...items].reverse();
  while (waiting.length > 0) {
    const item = waiting.pop()!;
    yield item;
    for (let at = item.children.length - 1; at >= 0; at -= 1) waiting.push(item.children[at]!);
  }
}

/** Whether two pieces of plain data say the same, in whatever order their fields stand. */
export function sameData(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (typeof one !== 'object' || typeof other !== 'object' || !one || !other) {
    return one === undefined && other === undefined;
  }
  if (Array.isArray(one) !== Array.isArray(other)) return false;
  const [left, right] = [one as Record<string, unknown>, other as Record<string, unknown>];
  const keys = Object.keys(left);
  return (
    keys.length === Object.keys(right).length &&
    keys.every((key) => Object.hasOwn(right, key) && sameData(left[key], right[key]))
  );
}

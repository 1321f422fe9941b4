/**
 * What must be there, because of something that the types do not know.
 *
 * @param reason why it is there, as a claim: `every group has a depth`
 * @throws Error with that claim, when it is not
 */
export function sure<T>(value: T | null | undefined, reason: string): T {
  if (value === null || value === undefined) throw new Error(`It is not so that ${reason}.`);
  return value;
}

/** A count of routes: written out up to a million, then as a power of ten. */
export function manyRoutes(routes: bigint): string {
  if (routes < 1_000_000n) return routes.toLocaleString('en');
  const digits = routes.toString();
  const raised = [...String(digits.length - 1)]
    .map((digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)])
    .join('');
  return `${digits[0]}.${digits[1]} × 10${raised}`;
}

/** Seconds as people say them: `40 s`, `3 min`, `1 h 5`. */
export function inMinutes(seconds: number): string {
  if (seconds < 60) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60}`;
}
